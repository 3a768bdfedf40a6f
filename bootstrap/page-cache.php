<?php

declare(strict_types=1);

/*
 * What answers with kept pages and open files before the framework is loaded. php-fpm loads it once, when it starts
 * (opcache.preload); where it does not, public/index.php does.
 */
require dirname(__DIR__).'/vendor/symfony/http-foundation/IpUtils.php';
foreach ([
    'Audit/ClientNetwork', 'ViewCounts/CountableVisit', 'Site/PageCache/PageCacheSettings',
    'Site/PageCache/RequestOrigin',
    'Site/PageCache/PageRequest', 'Site/PageCache/PageEntry', 'Site/PageCache/PageMemory',
    'Site/PageCache/PageDatabase',
    'Site/PageCache/PageCacheFront', 'Media/StoredFile', 'Media/MediaFront',
] as $class) {
    require dirname(__DIR__)."/app/{$class}.php";
}
