<?php

declare(strict_types=1);

namespace Tests\Support;

use PHPUnit\Framework\Assert;

/** Asks a served site as a browser would, cookies and all. */
final class WebClient
{
    private \CurlHandle $handle;

    private string $token = '';

    /** @param  string  $host  the Host header; empty: that of the address */
    public function __construct(private readonly string $url, private readonly string $host = '')
    {
        $this->handle = curl_init();
        curl_setopt($this->handle, CURLOPT_COOKIEFILE, '');
    }

    /**
     * @param  list<string>  $headers
     * @return array{status: int, headers: array<string, string>, body: string} headers by name, in small letters
     */
    public function get(string $address, array $headers = [], bool $head = false): array
    {
        curl_setopt_array($this->handle, $this->options($address, $headers) + [
            CURLOPT_NOBODY => $head, CURLOPT_CUSTOMREQUEST => $head ? 'HEAD' : 'GET', CURLOPT_POSTFIELDS => null,
        ]);

        return self::answer($this->handle, curl_exec($this->handle));
    }

    /**
     * @param  array<string, mixed>  $data
     * @return array{status: int, headers: array<string, string>, body: string}
     */
    public function send(string $method, string $address, array $data): array
    {
        curl_setopt_array($this->handle, $this->options($address, [
            'Content-Type: application/json', 'Accept: application/json', "X-CSRF-TOKEN: {$this->token}",
        ]) + [
            CURLOPT_NOBODY => false, CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_POSTFIELDS => json_encode($data, JSON_THROW_ON_ERROR),
        ]);
        $answer = self::answer($this->handle, curl_exec($this->handle));
        Assert::assertLessThan(300, $answer['status'], "{$method} {$address}: {$answer['body']}");

        return $answer;
    }

    /**
     * @param  array<string, string>  $values
     * @param  list<string>  $headers
     * @return array{status: int, headers: array<string, string>, body: string}
     */
    public function form(string $address, array $values, array $headers): array
    {
        curl_setopt_array($this->handle, $this->options($address, $headers) + [
            CURLOPT_NOBODY => false, CURLOPT_CUSTOMREQUEST => 'POST', CURLOPT_POSTFIELDS => http_build_query($values),
        ]);

        return self::answer($this->handle, curl_exec($this->handle));
    }

    /**
     * @param  array<string, string>  $values
     * @return array<string, mixed> the answer
     */
    public function upload(string $address, array $values, string $name, string $content): array
    {
        curl_setopt_array($this->handle, $this->options($address, [
            'Accept: application/json', "X-CSRF-TOKEN: {$this->token}",
        ]) + [
            CURLOPT_NOBODY => false, CURLOPT_CUSTOMREQUEST => 'POST',
            CURLOPT_POSTFIELDS => $values + ['file' => new \CURLStringFile($content, $name)],
        ]);
        $answer = self::answer($this->handle, curl_exec($this->handle));
        Assert::assertLessThan(300, $answer['status'], "POST {$address}: {$answer['body']}");

        return json_decode($answer['body'], true, 512, JSON_THROW_ON_ERROR);
    }

    public function signIn(string $email, string $password): void
    {
        $token = fn (): string => json_decode($this->get('/manage/api/token')['body'], true)['token'];
        $this->token = $token();
        $this->send('POST', '/manage/api/sign-in', ['email' => $email, 'password' => $password]);
        $this->token = $token();
    }

    /** @return array<string, string> values by name */
    public function cookies(): array
    {
        $cookies = [];
        foreach (curl_getinfo($this->handle, CURLINFO_COOKIELIST) as $line) {
            // Netscape's cookie file, as libcurl writes it: seven fields, the last two a name and a value.
            [, , , , , $name, $value] = explode("\t", $line) + array_fill(0, 7, '');
            $cookies[$name] = $value;
        }

        return $cookies;
    }

    /**
     * @param  \Closure(int): list<string>  $headers  of the nth request
     * @param  bool  $fromEverywhere  whether each comes from a loopback address of its own
     * @param  array<string, string>  $form  what each sends; nothing: they only ask
     * @return list<array{status: int, headers: array<string, string>, body: string}>
     */
    public function atOnce(
        string $address,
        int $requests,
        \Closure $headers,
        bool $fromEverywhere = false,
        array $form = [],
    ): array {
        $all = curl_multi_init();
        $handles = [];
        for ($n = 0; $n < $requests; $n++) {
            $handles[$n] = curl_init();
            curl_setopt_array($handles[$n], $this->options($address, $headers($n)));
            if ($form !== []) {
                curl_setopt($handles[$n], CURLOPT_POSTFIELDS, http_build_query($form));
            }
            if ($fromEverywhere) {
                curl_setopt($handles[$n], CURLOPT_INTERFACE, '127.0.1.'.($n + 1));
            }
            curl_multi_add_handle($all, $handles[$n]);
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all, 0.05);
        } while ($running > 0);

        return array_map(
            fn (\CurlHandle $handle): array => self::answer($handle, curl_multi_getcontent($handle) ?? ''),
            array_values($handles),
        );
    }

    /**
     * @param  list<string>  $headers
     * @return array<int, mixed>
     */
    private function options(string $address, array $headers): array
    {
        return [
            CURLOPT_URL => $this->url.$address,
            CURLOPT_HTTPHEADER => [...$headers, ...$this->host === '' ? [] : ["Host: {$this->host}"]],
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_HEADER => true,
            CURLOPT_TIMEOUT => 60,
        ];
    }

    /** @return array{status: int, headers: array<string, string>, body: string} */
    private static function answer(\CurlHandle $handle, string|bool $answer): array
    {
        Assert::assertIsString($answer, curl_error($handle));
        $size = curl_getinfo($handle, CURLINFO_HEADER_SIZE);
        $headers = [];
        foreach (explode("\r\n", substr($answer, 0, $size)) as $line) {
            [$name, $value] = explode(': ', $line, 2) + ['', ''];
            $headers[strtolower($name)] = $value;
        }

        return [
            'status' => curl_getinfo($handle, CURLINFO_RESPONSE_CODE),
            'headers' => $headers,
            'body' => substr($answer, $size),
        ];
    }
}
