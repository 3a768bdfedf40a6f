<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\JsonObject;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One saved state of an item: who, when, how, and its values by column, in the form that ItemReader takes.
 *
 * @property int $id
 * @property int $item_id
 * @property string $type_key
 * @property int $number
 * @property int|null $user_id
 * @property string $how
 * @property CarbonImmutable $at
 * @property array<string, mixed> $values
 * @property User|null $user
 */
final class Revision extends Model
{
    public $timestamps = false;

    protected $table = 'item_revisions';

    protected $fillable = ['item_id', 'type_key', 'number', 'user_id', 'how', 'at', 'values'];

    protected $dateFormat = 'Y-m-d H:i:sO';

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'values' => JsonObject::class];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
