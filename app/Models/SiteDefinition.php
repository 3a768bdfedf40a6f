<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\TextList;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * The draft and the live version of the frame, a menu, or the site's settings.
 *
 * @property int $id
 * @property string $kind `frame`, `menu` or `settings`
 * @property string $key of a menu; of the others their kind
 * @property array<string, mixed> $draft
 * @property array<string, mixed>|null $live
 * @property int $revision of the draft
 * @property CarbonImmutable|null $published_at
 * @property int|null $user_id who changed it last
 * @property CarbonImmutable $updated_at
 * @property list<string> $media_names of the files that it uses, kept by the database
 */
final class SiteDefinition extends Model
{
    protected $fillable = ['kind', 'key', 'draft', 'live', 'published_at', 'user_id'];

    protected function casts(): array
    {
        return [
            'draft' => 'array', 'live' => 'array', 'published_at' => 'immutable_datetime',
            'updated_at' => 'immutable_datetime',
            'media_names' => TextList::class,
        ];
    }
}
