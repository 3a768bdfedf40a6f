<?php

declare(strict_types=1);

namespace App\Pages;

use App\Models\Module as ModuleRow;
use Wellspring\Core\Page\PageDefinition;

/** A page's definition with the rows of the modules that stand on it. */
final readonly class StoredPage
{
    /**
     * @param  int|null  $id  null of one that is not stored: a preview
     * @param  array<string, ModuleRow>  $modules  by key
     */
    public function __construct(public ?int $id, public PageDefinition $definition, public array $modules)
    {
    }
}
