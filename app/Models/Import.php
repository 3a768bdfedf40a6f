<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\JsonObject;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * An uploaded file for an import and its state.
 *
 * @property int $id
 * @property int|null $user_id
 * @property string $type_key
 * @property string $name what the file was called
 * @property string $file where it is kept, on the disk `imports`
 * @property string|null $pictures likewise, a zip
 * @property list<string> $columns its headings
 * @property array<string, mixed> $options as ImportPlan reads them
 * @property 'new'|'checking'|'checked'|'writing'|'done'|'failed' $state
 * @property int $rows
 * @property int $done
 * @property array<string, mixed>|null $result
 * @property int|null $change_id
 * @property int|null $job_id of the queue, that checks or writes it; null: done in the request
 * @property CarbonImmutable $updated_at
 */
final class Import extends Model
{
    protected $fillable = [
        'user_id',
        'type_key',
        'name',
        'file',
        'pictures',
        'columns',
        'options',
        'state',
        'rows',
        'done',
        'result',
        'change_id',
        'job_id',
    ];

    protected $attributes = ['state' => 'new', 'options' => '{}', 'rows' => 0, 'done' => 0];

    protected function casts(): array
    {
        return ['columns' => 'array', 'options' => JsonObject::class, 'result' => 'array'];
    }

    public function isUnderWay(): bool
    {
        return in_array($this->state, ['checking', 'writing'], true);
    }
}
