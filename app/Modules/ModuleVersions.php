<?php

declare(strict_types=1);

namespace App\Modules;

use App\Audit\Actor;
use App\Models\Module as ModuleRow;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Time\Iso8601;

/** All published versions of a module. */
final readonly class ModuleVersions
{
    /** Stores the live version as the newest version. */
    public function add(ModuleRow $row): void
    {
        $number = DB::table('module_versions')->where('module_id', $row->id)->max('number');
        DB::table('module_versions')->insert([
            'module_id' => $row->id,
            'number' => (is_numeric($number) ? (int) $number : 0) + 1,
            'definition' => json_encode($row->live, JSON_THROW_ON_ERROR),
            'user_id' => Actor::id(),
            'published_at' => $row->published_at,
        ]);
    }

    /** @return list<array{number: int, publishedAt: string, by: string|null}> the newest first */
    public function all(ModuleRow $row): array
    {
        $rows = DB::table('module_versions')
            ->leftJoin('users', 'users.id', '=', 'module_versions.user_id')
            ->where('module_id', $row->id)
            ->orderByDesc('number')->get(['number', 'module_versions.published_at', 'users.name']);

        return array_values($rows->map(fn (object $version): array => [
            'number' => (int) $version->number,
            'publishedAt' => Iso8601::format(new \DateTimeImmutable((string) $version->published_at)),
            'by' => is_string($version->name) ? $version->name : null,
        ])->all());
    }

    /**
     * @return array<array-key, mixed>|null the definition that was published then; null where there is no such version
     */
    public function find(ModuleRow $row, int $number): ?array
    {
        $definition = DB::table('module_versions')
            ->where('module_id', $row->id)
            ->where('number', $number)
            ->value('definition');
        $decoded = is_string($definition) ? json_decode($definition, true) : null;

        return is_array($decoded) ? $decoded : null;
    }
}
