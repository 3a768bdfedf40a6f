<?php

declare(strict_types=1);

namespace App\Audit;

use App\Enums\AuditAction;
use App\Models\AuditEntry;
use App\Models\User;

/** Records who did what, when, to what and from where, inside the transaction of the action. */
final class AuditTrail
{
    /** @param  array<string, mixed>  $details  further facts: the old and the new role, the pages … */
    public static function record(AuditAction $action, string $subject, array $details = [], ?User $who = null): void
    {
        $who ??= Actor::user();
        AuditEntry::query()->create([
            'at' => now(),
            'user_id' => $who?->id,
            'who' => $who === null
                ? (Actor::origin() === Actor::COMMAND ? 'the command line' : 'nobody')
                : "{$who->name} <{$who->email}>",
            'action' => $action->value,
            'subject' => mb_strimwidth($subject, 0, 300, '…'),
            'details' => $details,
            'origin' => Actor::origin(),
        ]);
    }

    /** @return int how many entries had been kept long enough */
    public static function prune(): int
    {
        return AuditEntry::query()->where('at', '<', now()->subDays(config()->integer('site.audit_days')))->delete();
    }
}
