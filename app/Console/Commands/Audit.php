<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Enums\AuditAction;
use App\Models\AuditEntry;
use Illuminate\Console\Command;
use Wellspring\Core\Time\Iso8601;

final class Audit extends Command
{
    protected $signature = 'wellspring:audit
        {--action= : only this action, such as signedIn}
        {--who= : only whose name or e-mail address holds this}
        {--since= : only from this moment on, such as 2026-05-01}
        {--limit=100 : at most so many, the newest}
        {--json : one JSON object a line}';

    protected $description = 'Tell who did what: sign-ins, roles, invitations, groups, publishing, placing, types, '
        .'taxonomies, removals';

    public function handle(): int
    {
        $limit = filter_var(
            $this->option('limit'),
            FILTER_VALIDATE_INT,
            ['options' => ['min_range' => 1, 'max_range' => 1_000_000]],
        );
        $since = is_string($this->option('since')) ? Iso8601::parse($this->option('since')) : null;
        $action = is_string($this->option('action')) ? AuditAction::tryFrom($this->option('action')) : null;
        $problem = match (true) {
            $limit === false => '--limit: expected a whole number from 1.',
            $since === null && $this->option('since') !== null => '--since: expected a moment such as 2026-05-01.',
            $action === null && $this->option('action') !== null => '--action: expected one of '
                .implode(', ', array_column(AuditAction::cases(), 'value')).'.',
            default => null,
        };
        if ($problem !== null) {
            $this->error($problem);

            return self::FAILURE;
        }
        $who = is_string($this->option('who')) ? mb_strtolower($this->option('who')) : '';
        $entries = AuditEntry::query()
            ->when($action !== null, fn ($query) => $query->where('action', $action?->value))
            ->when($since !== null, fn ($query) => $query->where('at', '>=', $since))
            ->when($who !== '', fn ($query) => $query->whereRaw('strpos(lower(who), ?) > 0', [$who]))
            ->latest('id')->limit($limit)->get();
        foreach ($entries as $entry) {
            $row = [
                'at' => Iso8601::format($entry->at),
                'who' => $entry->who,
                'action' => $entry->action,
                'subject' => $entry->subject,
                'details' => (object) $entry->details,
                'from' => $entry->origin,
            ];
            $this->line($this->option('json')
                ? json_encode($row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)
                : "{$row['at']}  {$entry->who}  {$entry->words()}  ({$entry->origin})");
        }

        return self::SUCCESS;
    }
}
