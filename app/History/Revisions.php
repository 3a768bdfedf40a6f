<?php

declare(strict_types=1);

namespace App\History;

use App\Catalogue\PeopleNames;
use App\Catalogue\Records;
use App\Models\Item;
use App\Models\Revision;
use App\Models\User;
use Wellspring\Core\Content\Change\Difference;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Time\Iso8601;

/** The history of an item, save by save. */
final readonly class Revisions
{
    public function __construct(private PeopleNames $people)
    {
    }

    private const SHOWN = 100;

    /**
     * @return list<array{number: int, by: string, at: string, how: string, changed: list<Difference>}> newest first,
     *   each with what it changed
     */
    public function of(Item $item, Type $type, User $who): array
    {
        $rows = Revision::query()
            ->with('user:id,name')
            ->where('item_id', $item->id)
            ->latest('number')
            ->limit(self::SHOWN + 1)
            ->get()
            ->all();
        $shown = [];
        foreach (array_slice($rows, 0, self::SHOWN) as $i => $row) {
            $shown[] = $this->about($row) + ['changed' => Differences::between(
                $type,
                isset($rows[$i + 1]) ? $this->people->shownTo($who, $type, $rows[$i + 1]->values) : [],
                $this->people->shownTo($who, $type, $row->values),
            )];
        }

        return $shown;
    }

    /**
     * The changes of other people since a revision, compared with the values that someone wants to save.
     *
     * @param  array<string, mixed>  $mine
     * @return array{
     *     theirs: list<Difference>,
     *     conflicts: list<array{field: string, label: string, theirs: string, mine: string}>,
     *     merged: object,
     *     saves: list<array<string, mixed>>,
     * }
     */
    public function since(Item $item, Type $type, int $revision, array $mine, User $who): array
    {
        $theirs = Records::values($item, $type);
        $base = Revision::query()->where('item_id', $item->id)->where('number', $revision)->first()->values ?? $theirs;
        $mine += $base;
        [$theirs, $base, $mine] = array_map(
            fn (array $values): array => $this->people->shownTo($who, $type, $values),
            [$theirs, $base, $mine],
        );
        ['merged' => $merged, 'conflicts' => $conflicts] = Differences::merge($base, $mine, $theirs);

        return [
            'theirs' => Differences::between($type, $base, $theirs),
            'conflicts' => array_map(
                fn (Difference $one): array => [
                    'field' => $one->field,
                    'label' => $one->label,
                    'theirs' => $one->before,
                    'mine' => $one->after,
                ],
                array_values(
                    array_filter(
                        Differences::between($type, $theirs, $mine),
                        fn (Difference $one): bool => in_array($one->field, $conflicts, true),
                    ),
                ),
            ),
            'merged' => (object) $merged,
            'saves' => array_values(
                Revision::query()
                    ->with('user:id,name')
                    ->where('item_id', $item->id)
                    ->where('number', '>', $revision)
                    ->orderBy('number')
                    ->get()
                    ->map($this->about(...))
                    ->all(),
            ),
        ];
    }

    /** @return array{number: int, by: string, at: string, how: string} */
    private function about(Revision $row): array
    {
        return [
            'number' => $row->number,
            'by' => $row->user->name ?? 'the command line',
            'at' => Iso8601::format($row->at),
            'how' => $row->how,
        ];
    }
}
