<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\People;

use App\Enums\AuditAction;
use App\Http\Requests\People\AuditTableRequest;
use App\Http\RequestText;
use App\Models\AuditEntry;
use Wellspring\Core\Time\Iso8601;

/**
 * The audit trail. Managers can read it; nobody can change it.
 *
 * @phpstan-type AuditEntryShape array{
 *     id: int, at: string, who: string, action: string, subject: string, details: list<string>, origin: string,
 * }
 * @phpstan-type AuditPageShape array{
 *     total: int, pages: int, page: int, days: int, actions: list<array{key: string, words: string}>,
 *     entries: list<AuditEntryShape>,
 * }
 */
final class AuditController
{
    private const ON_PAGE = 50;

    /** @return AuditPageShape */
    public function __invoke(AuditTableRequest $request): array
    {
        $given = $request->validated();
        $words = mb_strtolower(RequestText::text($request, 'q'));
        $query = AuditEntry::query()
            ->when($given['action'] ?? null, fn ($query, string $action) => $query->where('action', $action))
            ->when(
                $words !== '',
                fn ($query) => $query->mentioning($words),
            );
        $total = (clone $query)->count();
        $page = (int) ($given['page'] ?? 1);

        return [
            'total' => $total,
            'pages' => max(1, (int) ceil($total / self::ON_PAGE)),
            'page' => $page,
            'days' => config()->integer('site.audit_days'),
            'actions' => array_map(
                fn (AuditAction $action): array => ['key' => $action->value, 'words' => $action->words()],
                AuditAction::cases(),
            ),
            'entries' => array_values($query->latest('id')
                ->forPage($page, self::ON_PAGE)
                ->get()
                ->map(fn (AuditEntry $entry): array => [
                    'id' => $entry->id,
                    'at' => Iso8601::format($entry->at),
                    'who' => $entry->who,
                    'action' => AuditAction::tryFrom($entry->action)?->words() ?? $entry->action,
                    'subject' => $entry->subject,
                    'details' => $entry->said(),
                    'origin' => $entry->origin,
                ])->all()),
        ];
    }
}
