<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\TextList;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A page's draft and its live version. Its address and title are those of the live version, or of the draft if there is
 * none; its modules are those of the live version.
 *
 * @property int $id
 * @property string $key
 * @property string $address
 * @property string $title
 * @property array<string, mixed> $draft
 * @property array<string, mixed>|null $live
 * @property int $revision of the draft
 * @property int $position among the pages
 * @property CarbonImmutable|null $published_at
 * @property int|null $user_id who changed it last
 * @property CarbonImmutable|null $removed_at
 * @property CarbonImmutable $updated_at
 * @property Collection<int, Module> $modules
 * @property list<string> $media_names of the files that it uses, kept by the database
 */
final class Page extends Model
{
    protected $fillable = ['key', 'draft', 'live', 'position', 'published_at', 'user_id', 'removed_at'];

    protected function casts(): array
    {
        return [
            'draft' => 'array', 'live' => 'array', 'published_at' => 'immutable_datetime',
            'removed_at' => 'immutable_datetime', 'updated_at' => 'immutable_datetime',
            'media_names' => TextList::class,
        ];
    }

    /** @return BelongsToMany<Module, $this> */
    public function modules(): BelongsToMany
    {
        $modules = $this->belongsToMany(Module::class, 'placements')->orderByPivot('position');
        $modules->whereNull('modules.removed_at');

        return $modules;
    }
}
