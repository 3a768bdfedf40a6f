<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Long work that a queue worker does.
 *
 * @property int $id
 * @property int|null $user_id whoever began it
 * @property string $kind key of the kind of work
 * @property string $title in words: “Publish 400 products”
 * @property array<string, mixed> $input as the kind's work takes it
 * @property 'waiting'|'running'|'done'|'failed' $state
 * @property int $done how many of `total` are done
 * @property int $total
 * @property array<string, mixed>|null $result as the request would have answered
 * @property list<array{path: string, code: string, message: string}> $problems why it failed
 * @property int|null $job_id of the queue, that does it; null: done in the request
 * @property CarbonImmutable $updated_at
 */
final class Task extends Model
{
    protected $fillable = ['user_id', 'kind', 'title', 'input', 'state', 'done', 'total', 'result', 'problems'];

    protected $attributes = ['state' => 'waiting', 'done' => 0, 'total' => 0, 'problems' => '[]'];

    protected function casts(): array
    {
        return ['input' => 'array', 'result' => 'array', 'problems' => 'array', 'updated_at' => 'immutable_datetime'];
    }

    public function isUnderWay(): bool
    {
        return in_array($this->state, ['waiting', 'running'], true);
    }
}
