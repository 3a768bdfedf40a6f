<?php

declare(strict_types=1);

use App\Providers\AccessServiceProvider;
use App\Providers\AppServiceProvider;
use App\Providers\PluginServiceProvider;
use App\Providers\QueueServiceProvider;
use App\Providers\ViewServiceProvider;

return [
    AppServiceProvider::class, QueueServiceProvider::class, ViewServiceProvider::class, AccessServiceProvider::class,
    PluginServiceProvider::class,
];
