<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A page of the site and the modules that stand on it, in order.
 *
 * @property int $id
 * @property string $address
 * @property string $title
 * @property string $intro
 * @property Collection<int, Module> $modules
 */
final class Page extends Model
{
    protected $fillable = ['address', 'title', 'intro', 'position'];

    /** @return BelongsToMany<Module, $this> */
    public function modules(): BelongsToMany
    {
        $modules = $this->belongsToMany(Module::class, 'placements')->orderByPivot('position');
        $modules->whereNull('modules.removed_at')->orderBy('placements.id');

        return $modules;
    }
}
