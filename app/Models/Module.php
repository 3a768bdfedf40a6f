<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\TextList;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A module's draft and its live version.
 *
 * @property int $id
 * @property string $key
 * @property array<string, mixed> $draft
 * @property list<string> $faults what was ever wrong with the draft
 * @property int $revision of the draft
 * @property array<string, mixed>|null $live
 * @property CarbonImmutable|null $published_at
 * @property bool $off whether visitors get nothing of it for the time being
 * @property int|null $user_id who changed it last
 * @property CarbonImmutable|null $removed_at
 * @property User|null $user
 * @property CarbonImmutable $updated_at
 * @property Collection<int, Page> $pages
 * @property list<string> $media_names of the files that it uses, kept by the database
 */
final class Module extends Model
{
    protected $fillable = ['key', 'draft', 'live', 'published_at', 'off', 'user_id', 'removed_at'];

    protected $attributes = ['off' => false, 'faults' => '[]'];

    protected function casts(): array
    {
        return [
            'draft' => 'array', 'faults' => 'array', 'live' => 'array', 'published_at' => 'immutable_datetime',
            'updated_at' => 'immutable_datetime', 'removed_at' => 'immutable_datetime', 'off' => 'bool',
            'media_names' => TextList::class,
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsToMany<Page, $this> */
    public function pages(): BelongsToMany
    {
        return $this->belongsToMany(Page::class, 'placements')->orderBy('pages.position')->orderBy('pages.id');
    }

    /** The name of its draft, in quotation marks. */
    public function quotedName(): string
    {
        return '“'.(is_string($this->draft['name'] ?? null) ? $this->draft['name'] : $this->key).'”';
    }
}
