<?php

declare(strict_types=1);

/** A small stand-in for a video site that speaks oEmbed; served by PHP's own server. */
$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
$video = basename((string) parse_url((string) ($_GET['url'] ?? ''), PHP_URL_PATH));
if ($path === '/picture.png') {
    $picture = imagecreatetruecolor(64, 36);
    imagefill($picture, 0, 0, (int) imagecolorallocate($picture, 20, 90, 60));
    header('Content-Type: image/png');
    imagepng($picture);
} elseif ($video === 'moved') {
    header('Location: /oembed?url=https://video.example/beds', true, 302);
} elseif ($video === 'large') {
    echo str_repeat(' ', 300_000), '{}';
} elseif ($video === 'slow') {
    sleep(3);
} else {
    header('Content-Type: application/json');
    echo json_encode([
        'version' => '1.0', 'type' => 'video', 'title' => "All about {$video}", 'width' => 640, 'height' => 360,
        'html' => '<script src="https://evil.example/x.js"></script>'
            .'<iframe src="https://player.video.example/'.$video.'"></iframe>',
        'thumbnail_url' => "https://{$_SERVER['HTTP_HOST']}/picture.png",
    ]);
}
