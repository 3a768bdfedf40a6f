<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\JsonObject;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * A change of many items or of a type, which can be undone.
 *
 * @property int $id
 * @property int|null $user_id
 * @property string $kind
 * @property string $title as a sentence: “Published 12 products”
 * @property array<string, mixed> $data
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable|null $undone_at
 */
final class Change extends Model
{
    public $timestamps = false;

    protected $fillable = ['user_id', 'kind', 'title', 'data', 'made_at', 'undone_at'];

    protected $dateFormat = 'Y-m-d H:i:sO';

    protected function casts(): array
    {
        return ['made_at' => 'immutable_datetime', 'undone_at' => 'immutable_datetime', 'data' => JsonObject::class];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** The number of affected items. */
    public function size(): int
    {
        return DB::table('change_items')->where('change_id', $this->id)->count();
    }
}
