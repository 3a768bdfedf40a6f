<?php

declare(strict_types=1);

namespace Tests\Support;

/** nginx with TLS in front of a server, as an operator puts it there; its certificate is made for the one run. */
final class TlsProxy
{
    public readonly int $port;

    private readonly string $folder;

    /** @var resource */
    private $process;

    /** @param  string  $host  that the certificate is for */
    public function __construct(private readonly string $host, string $behind)
    {
        $this->folder = sys_get_temp_dir().'/wellspring-tls-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $key = openssl_pkey_new(['private_key_type' => OPENSSL_KEYTYPE_EC, 'curve_name' => 'prime256v1'])
            ?: throw new \RuntimeException('No key was made.');
        $request = openssl_csr_new(['commonName' => $host], $key);
        $certificate = $request instanceof \OpenSSLCertificateSigningRequest
            ? openssl_csr_sign($request, null, $key, 1)
            : false;
        $certificate !== false || throw new \RuntimeException('No certificate was made.');
        openssl_x509_export_to_file($certificate, "{$this->folder}/site.crt");
        openssl_pkey_export_to_file($key, "{$this->folder}/site.key");
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $this->port = (int) explode(':', (string) stream_socket_get_name($socket, false))[1];
        fclose($socket);
        file_put_contents("{$this->folder}/nginx.conf", <<<CONF
            daemon off;
            pid {$this->folder}/nginx.pid;
            error_log {$this->folder}/error.log;
            events { worker_connections 64; }
            http {
                access_log off;
                client_body_temp_path {$this->folder}/body;
                proxy_temp_path {$this->folder}/proxy;
                fastcgi_temp_path {$this->folder}/fastcgi;
                uwsgi_temp_path {$this->folder}/uwsgi;
                scgi_temp_path {$this->folder}/scgi;
                server {
                    listen 127.0.0.1:{$this->port} ssl;
                    server_name {$host};
                    ssl_certificate {$this->folder}/site.crt;
                    ssl_certificate_key {$this->folder}/site.key;
                    location / {
                        proxy_pass {$behind};
                        proxy_set_header Host \$host;
                        proxy_set_header X-Forwarded-Proto https;
                        proxy_set_header X-Forwarded-For \$remote_addr;
                    }
                }
            }
            CONF);
        $process = proc_open(
            ['nginx', '-c', "{$this->folder}/nginx.conf", '-p', $this->folder, '-e', "{$this->folder}/error.log"],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        $this->process = $process ?: throw new \RuntimeException('nginx did not start.');
        for ($try = 0; $try < 100 && ($socket = @fsockopen('127.0.0.1', $this->port)) === false; $try++) {
            usleep(50_000);
        }
        is_resource($socket) && fclose($socket);
    }

    public function __destruct()
    {
        proc_terminate($this->process);
        proc_close($this->process);
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /**
     * @return array{status: int, headers: array<string, list<string>>, body: string} headers by name, in small letters
     */
    public function get(string $path): array
    {
        $headers = [];
        $handle = curl_init("https://{$this->host}:{$this->port}{$path}");
        curl_setopt_array($handle, [
            CURLOPT_RESOLVE => ["{$this->host}:{$this->port}:127.0.0.1"],
            CURLOPT_CAINFO => "{$this->folder}/site.crt",
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_TIMEOUT => 30,
            CURLOPT_HEADERFUNCTION => function (\CurlHandle $handle, string $line) use (&$headers): int {
                [$name, $value] = explode(':', $line, 2) + [1 => ''];
                $headers[strtolower(trim($name))][] = trim($value);

                return strlen($line);
            },
        ]);
        $body = curl_exec($handle);
        is_string($body) || throw new \RuntimeException(curl_error($handle));

        return ['status' => curl_getinfo($handle, CURLINFO_RESPONSE_CODE), 'headers' => $headers, 'body' => $body];
    }
}
