<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Bench;

use App\Http\PreviewContext;
use App\Http\Requests\Bench\CompareRequest;
use App\Models\Module as ModuleRow;
use App\Modules\Comparison;
use App\Modules\ModuleStore;
use App\Modules\ModuleVersions;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Compares what visitors see before and after an unsaved change of a definition.
 *
 * @phpstan-import-type ComparedRowShape from Comparison
 *
 * @phpstan-type ComparedShape array{
 *     compared: bool, before: int, after: int, most: int, comes: int,
 *     goes: list<array{id: int, key: string, title: string, was: int}>, moves: int, otherPage: int,
 *     pages: list<array{page: int, rows: list<ComparedRowShape>}>,
 *     said: list<array{lead: string, before: string, after: string, looks: bool}>,
 * }
 */
final readonly class BenchComparisonController
{
    public function __construct(
        private ModuleStore $store,
        private ModuleVersions $versions,
        private PreviewContext $preview,
    ) {
    }

    /**
     * The records that visitors would see appear, disappear and move if the draft (or the given version) replaced the
     * live version (or the version that it is compared with).
     *
     * @return ComparedShape
     */
    public function compare(CompareRequest $request, Comparison $comparison): array
    {
        $given = $request->validated();
        $draft = $this->store->reader()->salvage($request->definition())->module;
        $row = $this->store->find($draft->key);
        $after = isset($given['version']) ? $this->version($row, 'version', (int) $given['version']) : $draft;
        $before = isset($given['against'])
            ? $this->version($row, 'against', (int) $given['against'])
            : ($row === null ? null : $this->store->live($row));

        return [
            ...$comparison->of($before, $after, $this->preview->of($request)),
            'compared' => $before !== null,
        ];
    }

    /** A published version, without the rules that are no longer valid. */
    private function version(?ModuleRow $row, string $asked, int $number): Module
    {
        $definition = $row === null ? null : $this->versions->find($row, $number);

        return $this->store->reader()->salvage(
            $definition ?? throw Refused::because(
                $asked,
                ProblemCode::UnknownVersion,
                "There is no version {$number}.",
            ),
        )->module;
    }
}
