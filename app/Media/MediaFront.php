<?php

declare(strict_types=1);

namespace App\Media;

use App\Site\PageCache\PageCacheSettings;
use App\Site\PageCache\PageDatabase;

/**
 * Answers requests for files of the library before the framework is loaded: files that signed-out visitors may see now,
 * checked for each request. Requests with a session go to the framework.
 */
final class MediaFront
{
    /** @return bool whether it has answered */
    public static function answer(PageCacheSettings $settings): bool
    {
        $address = is_string($_SERVER['REQUEST_URI'] ?? null) ? explode('?', $_SERVER['REQUEST_URI'], 2)[0] : '';
        $isRead = in_array($_SERVER['REQUEST_METHOD'] ?? '', ['GET', 'HEAD'], true);
        $file = $isRead ? StoredFile::at($address) : null;
        $isOpen = $file === null ? null : (new PageDatabase($settings))->isOpen($file->media);
        if ($file === null || $isOpen === null || ! $isOpen && isset($_COOKIE[$settings->sessionCookie])) {
            return false;
        }
        if (! $isOpen) {
            http_response_code(404);
            header('Cache-Control: no-store');
            header('Content-Type: text/plain');
            echo "There is no such file.\n";

            return true;
        }
        // nginx sets the content type.
        ini_set('default_mimetype', '');
        foreach ($file->headers() as $name => $value) {
            header("{$name}: {$value}");
        }

        return true;
    }
}
