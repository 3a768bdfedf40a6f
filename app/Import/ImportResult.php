<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Problem\Problem;

/**
 * The result of an import or of its check.
 *
 * @phpstan-type ImportResultShape array{
 *     created: int, changed: int, unchanged: int, bad: int, problemCount: int,
 *     problems: list<array{path: string, message: string}>,
 *     preview: list<array{place: string, becomes: string, cells: array<string, string>}>, newTerms: list<string>,
 * }
 */
final class ImportResult
{
    /** Maximum number of reported problems; further ones are only counted. */
    public const TOLD = 500;

    public int $created = 0;

    public int $changed = 0;

    public int $unchanged = 0;

    public int $bad = 0;

    public int $problemCount = 0;

    /** @var list<Problem> each with its line and column as the path */
    public array $problems = [];

    /** @var list<array{place: string, becomes: string, cells: array<string, string>}> the first rows as they will be */
    public array $preview = [];

    /** @var list<string> paths of terms that are made */
    public array $newTerms = [];

    public ?int $change = null;

    public function problem(Problem $problem): void
    {
        $this->problemCount++;
        if (count($this->problems) < self::TOLD) {
            $this->problems[] = $problem;
        }
    }

    /** @return ImportResultShape */
    public function toArray(): array
    {
        return [
            'created' => $this->created,
            'changed' => $this->changed,
            'unchanged' => $this->unchanged,
            'bad' => $this->bad,
            'problemCount' => $this->problemCount,
            'problems' => array_map(
                fn (Problem $problem): array => ['path' => $problem->path, 'message' => $problem->message],
                $this->problems,
            ),
            'preview' => $this->preview,
            'newTerms' => $this->newTerms,
        ];
    }
}
