<?php

declare(strict_types=1);

namespace App\Models;

use App\Enums\AuditAction;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * One entry of the audit trail. It is never changed, and removed after its retention period.
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

    /** In one line: “Module published: Plants” */
    public function words(): string
    {
        $action = AuditAction::tryFrom($this->action)?->words() ?? $this->action;

        return implode(' · ', [$this->subject === '' ? $action : "{$action}: {$this->subject}", ...$this->said()]);
    }

    /** @return list<string> what else is known of it, in words; of a change only what it changed */
    public function said(): array
    {
        [$before, $after] = [$this->details['before'] ?? null, $this->details['after'] ?? null];
        $said = [];
        foreach (is_array($before) && is_array($after) ? $after : [] as $name => $now) {
            if ($now !== ($before[$name] ?? null)) {
                $said[] = "{$name}: ".self::value($before[$name] ?? null).' → '.self::value($now);
            }
        }
        foreach ($said === [] ? $this->details : array_diff_key(
            $this->details,
            ['before' => 0, 'after' => 0],
        ) as $name => $value) {
            $said[] = "{$name}: ".self::value($value);
        }

        return $said;
    }

    private static function value(mixed $value): string
    {
        return match (true) {
            $value === null, $value === [], $value === '' => 'none',
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode(', ', array_map(self::value(...), $value)),
            default => is_scalar($value) ? (string) $value : '',
        };
    }

    /**
     * Entries whose person or subject contains the words, in lower case.
     *
     * @param  Builder<self>  $query
     */
    public function scopeMentioning(Builder $query, string $words): void
    {
        $query->whereRaw('(strpos(lower(who), ?) > 0 or strpos(lower(subject), ?) > 0)', [$words, $words]);
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'details' => 'array'];
    }
}
