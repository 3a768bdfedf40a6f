<?php

declare(strict_types=1);

namespace App\Modules;

use Wellspring\Core\Module\Module;

/** Adds the values that a module leaves open and that are fixed when it is published. */
interface PublishDefaults
{
    public function completed(Module $module): Module;
}
