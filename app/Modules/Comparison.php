<?php

declare(strict_types=1);

namespace App\Modules;

use App\Listing\Listing;
use App\Listing\Sources;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\ListingDiff;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Sentence;

/**
 * The records that visitors would see appear, disappear and move, page by page, if one definition replaced another; and
 * the differences of the look.
 *
 * @phpstan-type ComparedRowShape array{
 *     id: int, key: string, title: string, place: int, was: int|null, wasOn: int|null,
 *     what: 'comes'|'moves'|'otherPage'|'stays',
 * }
 */
final readonly class Comparison
{
    /** The maximum number of compared records. */
    public const MOST = 1000;

    private const LOOKS = ['arrange', 'card', 'empty', 'whenNothing', 'page', 'headings'];

    public function __construct(
        private Listing $listing,
        private Sources $sources,
        private Format $format,
        private ModuleTitles $titles,
    ) {
    }

    /**
     * @param  Module|null  $before  null: nothing shows yet
     * @return array{
     *     before: int, after: int, most: int, comes: int,
     *     goes: list<array{id: int, key: string, title: string, was: int}>, moves: int, otherPage: int,
     *     pages: list<array{page: int, rows: list<ComparedRowShape>}>,
     *     said: list<array{lead: string, before: string, after: string, looks: bool}>,
     * }
     */
    public function of(?Module $before, Module $after, Context $context): array
    {
        $was = $before === null ? [] : self::byText($this->listing->some($before, $context, 0, self::MOST));
        $is = self::byText($this->listing->some($after, $context, 0, self::MOST));
        // Ids of terms and items are of different kinds. If the kind changes, all records are new.
        $sameKind = $before !== null
            && $before->source->recordsOf() === $after->source->recordsOf()
            && ($before->source->recordsOf() === RecordsOf::Items || $before->type()->key === $after->type()->key);
        $shift = ListingDiff::between($sameKind ? array_keys($was) : [], array_keys($is));
        $goes = array_values($sameKind ? array_intersect_key($was, array_flip($shift->goes)) : $was);
        $titles = $this->titles($after, array_values($is), $context);
        $oldTitles = $before === null ? [] : $this->titles($before, $goes, $context);
        $places = array_flip(array_keys($was));
        $wasAt = $sameKind ? $places : [];
        $moved = array_flip($shift->moves);
        $pages = [];
        foreach (array_values($is) as $place => $key) {
            $old = $wasAt[(string) $key] ?? null;
            $oldPage = $old === null || $before === null ? null : intdiv($old, $before->page->size) + 1;
            $page = intdiv($place, $after->page->size) + 1;
            $pages[$page][] = [
                'id' => $key->id, 'key' => (string) $key,
                'title' => $titles[(string) $key] ?? '', 'place' => $place + 1,
                'was' => $old === null ? null : $old + 1, 'wasOn' => $oldPage,
                'what' => $old === null
                    ? 'comes'
                    : (isset($moved[(string) $key]) ? 'moves' : ($oldPage === $page ? 'stays' : 'otherPage')),
            ];
        }

        return [
            'before' => $before === null ? 0 : $this->listing->total($before, $context),
            'after' => $this->listing->total($after, $context),
            'most' => self::MOST,
            'comes' => count($shift->comes),
            'goes' => array_map(
                fn (RecordKey $key): array => [
                    'id' => $key->id,
                    'key' => (string) $key,
                    'title' => $oldTitles[(string) $key] ?? '',
                    'was' => $places[(string) $key] + 1,
                ],
                $goes,
            ),
            'moves' => count($shift->moves),
            'otherPage' => count(
                array_filter(
                    array_merge(...array_values($pages)),
                    fn (array $row): bool => $row['what'] === 'otherPage',
                ),
            ),
            'pages' => array_map(
                fn (int $page): array => ['page' => $page, 'rows' => $pages[$page]],
                array_keys($pages),
            ),
            'said' => $this->said($before, $after),
        ];
    }

    /**
     * The sentences that differ, rules and looks.
     *
     * @return list<array{lead: string, before: string, after: string, looks: bool}>
     */
    private function said(?Module $before, Module $after): array
    {
        $texts = function (?Module $module): array {
            $said = [];
            $format = $module === null ? $this->format : $this->titles->in($this->format, $module);
            foreach ($module === null ? [] : Sentences::of($module, $format) as $sentence) {
                $said[$sentence->rule] = $sentence;
            }

            return $said;
        };
        [$old, $new] = [$texts($before), $texts($after)];
        $changed = [];
        foreach ($new + $old as $rule => $sentence) {
            $say = fn (?Sentence $one): string => $one === null ? '' : ($one->off ? '(off) ' : '').$one->text();
            if ($say($old[$rule] ?? null) !== $say($new[$rule] ?? null)) {
                $changed[] = [
                    'lead' => $sentence->lead,
                    'before' => $say($old[$rule] ?? null),
                    'after' => $say($new[$rule] ?? null),
                    'looks' => in_array($rule, self::LOOKS, true),
                ];
            }
        }

        return $before === null ? [] : $changed;
    }

    /**
     * @param  list<RecordKey>  $keys
     * @return array<string, RecordKey> by how they are written, in their order
     */
    private static function byText(array $keys): array
    {
        return array_combine(array_map(strval(...), $keys), $keys);
    }

    /**
     * @param  list<RecordKey>  $keys
     * @return array<string, string> by key as text
     */
    private function titles(Module $module, array $keys, Context $context): array
    {
        $records = $this->sources->records($module->source, $keys, [], $context);

        return array_combine(
            array_map(fn (Record $record): string => (string) $record->key(), $records),
            array_map(fn (Record $record): string => $record->title, $records),
        );
    }
}
