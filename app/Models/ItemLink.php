<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link of a field to another item or a person.
 *
 * @property int $item_id
 * @property string $field
 * @property int $position
 * @property int|null $target_id
 * @property int|null $person_id
 * @property Item|null $target
 * @property User|null $person
 */
final class ItemLink extends Model
{
    public $timestamps = false;

    protected $fillable = ['item_id', 'field', 'position', 'target_id', 'person_id'];

    /** @return BelongsTo<Item, $this> */
    public function target(): BelongsTo
    {
        return $this->belongsTo(Item::class, 'target_id');
    }

    /** @return BelongsTo<User, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(User::class, 'person_id');
    }
}
