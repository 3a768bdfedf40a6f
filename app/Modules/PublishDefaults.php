<?php

declare(strict_types=1);

namespace App\Modules;

use Wellspring\Core\Module\Module;

/** Fills in what a module does not say and what is decided, and stored with it, when it is published. */
interface PublishDefaults
{
    public function completed(Module $module): Module;
}
