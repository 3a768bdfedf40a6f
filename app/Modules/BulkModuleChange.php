<?php

declare(strict_types=1);

namespace App\Modules;

use App\Audit\AuditTrail;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\History\UndoHandler;
use App\Models\Change;
use App\Models\Module as ModuleRow;
use Wellspring\Core\Problem\Refused;

/** Applies one action to many modules, as one change that can be undone. */
final readonly class BulkModuleChange implements UndoHandler
{
    public function __construct(private ModuleStore $modules, private ModuleVersions $versions)
    {
    }

    public function kind(): string
    {
        return 'modules';
    }

    /**
     * Publishes modules, switches them off or on, or removes them, as one change that can be undone. Pages show nothing
     * of modules that are off or removed.
     *
     * @param  list<ModuleRow>  $rows
     * @param  'publish'|'off'|'on'|'remove'  $do
     * @return array{change: Change|null, faults: list<string>} null if nothing changed; and the reasons for unchanged
     *   modules
     */
    public function do(array $rows, string $do): array
    {
        $faults = [];
        usort($rows, fn (ModuleRow $a, ModuleRow $b): int => $a->id <=> $b->id);
        foreach ($do === 'publish' ? $rows : [] as $i => $row) {
            try {
                $this->modules->draft($row);
            } catch (Refused $refused) {
                $faults[] = $row->quotedName()." was not published: {$refused->problems[0]}";
                unset($rows[$i]);
            }
        }
        if ($rows === []) {
            return ['change' => null, 'faults' => $faults];
        }
        $names = implode(
            ', ',
            array_map(fn (ModuleRow $row): string => $row->quotedName(), array_slice($rows, 0, 3)),
        ).(count($rows) > 3 ? ' and '.(count($rows) - 3).' more' : '');
        $title = [
            'publish' => 'Published',
            'off' => 'Switched off',
            'on' => 'Switched on',
            'remove' => 'Removed',
        ][$do]." {$names}";
        $change = RevisionRecorder::change(
            'modules',
            $title,
            $do,
            function (RevisionRecorder $recorder, Change $change) use ($rows, $do): void {
                $was = [];
                foreach ($rows as $row) {
                    $before = ['id' => $row->id, 'off' => $row->off];
                    if ($do === 'publish') {
                        $before += ['live' => $row->live, 'published_at' => $row->published_at?->toIso8601String()];
                        $this->modules->publish($row);
                        $before += ['version' => $this->versions->all($row)[0]['number'] ?? 0];
                    } else {
                        $row->fill($do === 'remove' ? ['removed_at' => now()] : ['off' => $do === 'off'])->save();
                        AuditTrail::record(
                            $do === 'remove' ? AuditAction::ModuleRemoved : AuditAction::ModuleSwitched,
                            $row->quotedName(),
                            ['key' => $row->key, 'do' => $do],
                        );
                    }
                    $was[] = $before;
                }
                $change->data = ['do' => $do, 'modules' => $was];
                $change->save();
                if ($do !== 'publish') {
                    event(new LiveModulesChanged);
                }
            },
        );

        return ['change' => $change, 'faults' => $faults];
    }

    /** Later changes of other people stay. */
    public function undo(Change $change, RevisionRecorder $recorder): int
    {
        $undone = 0;
        foreach ((array) ($change->data['modules'] ?? []) as $was) {
            $row = is_array($was) ? ModuleRow::query()->where('id', $was['id'])->first() : null;
            if (
                $row === null
                || $change->data['do'] === 'publish'
                && ($this->versions->all($row)[0]['number'] ?? 0) !== $was['version']
            ) {
                continue;
            }
            $row->fill(match ($change->data['do']) {
                'remove' => ['removed_at' => null],
                'publish' => [
                    'live' => $was['live'],
                    'published_at' => $was['published_at'],
                    'off' => $was['off'] === true,
                ],
                default => ['off' => $was['off'] === true],
            })->save();
            $undone++;
        }
        event(new LiveModulesChanged);

        return $undone;
    }
}
