<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * One thing that somebody did: never changed, removed when it has been kept long enough.
 *
 * @property int $id
 * @property CarbonImmutable $at
 * @property int|null $user_id null: nobody signed in, or a command
 * @property string $who name and e-mail as they were then
 * @property string $action a key of App\Audit\Action
 * @property string $subject what it was done to, in words
 * @property array<string, mixed> $details
 * @property string $origin an address on the network, or `command`
 */
final class AuditEntry extends Model
{
    public $timestamps = false;

    protected $fillable = ['at', 'user_id', 'who', 'action', 'subject', 'details', 'origin'];

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'details' => 'array'];
    }
}
