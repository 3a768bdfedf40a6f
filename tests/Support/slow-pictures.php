<?php

declare(strict_types=1);

/*
 * Passes requests on to the site and holds pictures back for 0.9 seconds, for tests of what moves when they come:
 *   SITE_URL=http://127.0.0.1:8080 PHP_CLI_SERVER_WORKERS=8 php -S 127.0.0.1:8500 slow-pictures.php
 */
$address = (string) $_SERVER['REQUEST_URI'];
if (str_starts_with($address, '/media/')) {
    usleep(900_000);
}
$handle = curl_init(getenv('SITE_URL').$address);
curl_setopt_array($handle, [
    CURLOPT_RETURNTRANSFER => true,
    CURLOPT_HTTPHEADER => ['Host: 127.0.0.1', 'User-Agent: '.($_SERVER['HTTP_USER_AGENT'] ?? '')],
]);
$body = curl_exec($handle);
http_response_code((int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE) ?: 502);
header('Content-Type: '.curl_getinfo($handle, CURLINFO_CONTENT_TYPE));
header('Cache-Control: no-store');
echo is_string($body) ? $body : '';
