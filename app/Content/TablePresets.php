<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Text\Whitespace;

/** Each person's last state of the item table, and their saved views. */
final readonly class TablePresets
{
    /** @return array{state: mixed, selections: list<array{id: int, name: string, state: mixed}>} */
    public function of(User $who, string $type): array
    {
        $rows = $this->rows($who)->where('type_key', $type)->orderBy('name')->get();
        $state = fn (\stdClass $row): mixed => json_decode(is_string($row->state) ? $row->state : '{}');
        $last = $rows->firstWhere('name', '');

        return [
            'state' => $last === null ? null : $state($last),
            'selections' => array_values($rows->where('name', '<>', '')->map(fn (\stdClass $row): array => [
                'id' => (int) $row->id,
                'name' => (string) $row->name,
                'state' => $state($row),
            ])->all()),
        ];
    }

    /**
     * @param  string  $name  empty for the last state of the table
     * @param  array<array-key, mixed>  $state
     */
    public function save(User $who, string $type, string $name, array $state): void
    {
        DB::table('table_presets')->upsert(
            [[
                'user_id' => $who->id,
                'type_key' => $type,
                'name' => Whitespace::trim($name),
                'state' => json_encode($state, JSON_THROW_ON_ERROR),
                'created_at' => now(),
                'updated_at' => now(),
            ]],
            ['user_id', 'type_key', 'name'],
            ['state', 'updated_at'],
        );
    }

    public function remove(User $who, int $id): void
    {
        $this->rows($who)->where('id', $id)->delete();
    }

    private function rows(User $who): Builder
    {
        return DB::table('table_presets')->where('user_id', $who->id);
    }
}
