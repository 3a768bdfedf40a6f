<?php

declare(strict_types=1);

use App\Media\MediaFront;
use App\Site\PageCache\PageCacheFront;
use App\Site\PageCache\PageCacheSettings;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;

define('LARAVEL_START', microtime(true));

// A kept page or a file that everybody may see is the answer before anything else is loaded.
$root = dirname(__DIR__);
class_exists(PageCacheFront::class, false) || require "{$root}/bootstrap/page-cache.php";
$settings = PageCacheSettings::read(getenv('APP_CONFIG_CACHE') ?: "{$root}/bootstrap/cache/config.php", $_SERVER);
if ($settings !== null && (MediaFront::answer($settings) || PageCacheFront::answer($settings))) {
    return;
}

require "{$root}/vendor/autoload.php";

/** @var Application $app */
$app = require "{$root}/bootstrap/app.php";

$app->handleRequest(Request::capture());
