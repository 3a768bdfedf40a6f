<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\OpenApi\DefinitionSchemas;
use App\Listing\ListingWithGaps;
use App\Listing\Sources;
use App\Modules\ModuleStore;
use App\Modules\ModuleTitles;
use App\Site\Listings\ModuleAdvice;
use Wellspring\Core\Arrangement\Columns;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\Advice;
use Wellspring\Core\Explain\Offering;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\SalvagedModule;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;
use Wellspring\Core\Wording\Sentence;

/**
 * The bench's data for an unsaved definition: its text, its counts and the visitor's page.
 *
 * @phpstan-import-type AdviceShape from Advice
 * @phpstan-import-type DefinitionShape from DefinitionSchemas
 * @phpstan-import-type SourceRecordsShape from SourceResource
 * @phpstan-import-type ProblemShape from Refusal
 *
 * @phpstan-type SentenceShape array{
 *     rule: string, step: string|null, lead: string, off: bool, broken: list<array{at: string, why: string}>,
 *     canBeOffered: bool,
 *     pieces: list<array{text: string, at: string|null}>,
 * }
 * @phpstan-type RowShape array{cards: int, columns: int}
 * @phpstan-type BenchPreviewShape array{
 *     definition: DefinitionShape, problems: list<ProblemShape>, sentences: list<SentenceShape>, asText: string,
 *     source: SourceRecordsShape, total: int, pages: int, page: int, steps: list<array{step: string, left: int}>,
 *     headings: list<array{words: string, records: int}>, empty: array{parts: JsonMap<int>, any: int},
 *     lastRow: array{phone: RowShape, tablet: RowShape, laptop: RowShape, desktop: RowShape}, notes: list<string>,
 *     advice: list<AdviceShape>, sample: JsonMap<string>, html: string,
 *     example: string|null,
 * }
 */
final readonly class BenchResource
{
    public function __construct(
        private ModuleStore $store,
        private SourceResource $sources,
        private Sources $records,
        private ModuleAdvice $advice,
        private Format $format,
        private ModuleTitles $titles,
    ) {
    }

    /**
     * @param  array<array-key, mixed>  $definition  as it was given
     * @param  list<Facet>  $facets  what the filters have to choose
     * @param  string  $html  the visitor's page
     * @param  string|null  $example  what the page is about that was chosen as an example
     * @return BenchPreviewShape
     */
    public function of(
        SalvagedModule $salvaged,
        array $definition,
        ListingWithGaps $listing,
        array $facets,
        Context $context,
        string $html,
        ?string $example,
    ): array {
        $module = $salvaged->module;
        $result = $listing->result;
        $format = $this->titles->in($this->format, $module);

        return [
            'definition' => $salvaged->problems === [] ? $module->toArray() : $definition,
            'problems' => array_map(Refusal::problem(...), $salvaged->problems),
            'sentences' => array_map(
                fn (Sentence $sentence): array => $this->sentence($sentence, $salvaged, $definition),
                Sentences::of($module, $format),
            ),
            'asText' => Sentences::asText($module, $format),
            'source' => $this->sources->of($module->source),
            'total' => $result->total,
            'pages' => $result->pages,
            'page' => $result->page,
            'steps' => array_map(
                fn (Step $step): array => ['step' => (string) $step->name, 'left' => $step->left],
                $result->steps,
            ),
            'headings' => $this->headings($module, $result),
            'empty' => ['parts' => new JsonMap($listing->emptyParts), 'any' => $listing->emptyAny],
            'lastRow' => $this->lastRow($module, $result),
            'notes' => array_map(strval(...), $this->store->notes($module)),
            'advice' => array_map(
                fn (Advice $one): array => $one->toArray(),
                $this->advice->on($module, $listing, $facets, $this->store->find($module->key), $context),
            ),
            'sample' => new JsonMap($this->sample($module, $result, $context)),
            'html' => $html,
            'example' => $example,
        ];
    }

    /**
     * @param  array<array-key, mixed>  $definition  as it was given
     * @return SentenceShape
     */
    private function sentence(Sentence $sentence, SalvagedModule $salvaged, array $definition): array
    {
        $broken = array_values(
            array_filter(
                $salvaged->aside,
                fn (string $place): bool => $place === $sentence->rule || str_starts_with(
                    $place,
                    $sentence->rule.'.',
                ) || str_starts_with($place, $sentence->rule.'['),
            ),
        );
        $of = fn (string $place): string => implode(
            ' ',
            array_map(
                fn (Problem $problem): string => $problem->message,
                array_filter(
                    $salvaged->problems,
                    fn (Problem $problem): bool => str_starts_with($problem->path, $place),
                ),
            ),
        );

        // A rule that was set aside as a whole is said as it stands in the definition.
        $aside = in_array($sentence->rule, $salvaged->aside, true);
        $said = data_get($definition, str_replace(['[', ']'], ['.', ''], $sentence->rule));

        return [
            'rule' => $sentence->rule,
            'step' => $sentence->step,
            'lead' => $aside ? 'No longer makes sense' : $sentence->lead,
            'off' => $sentence->off && ! $aside,
            'canBeOffered' => ! $aside && Offering::offered($salvaged->module, $sentence->rule) !== null,
            'broken' => array_map(fn (string $place): array => ['at' => $place, 'why' => $of($place)], $broken),
            'pieces' => $aside
                ? [[
                    'text' => implode(' ', array_filter([$said['field'] ?? '', $said['test'] ?? ''], is_string(...))),
                    'at' => null,
                ]]
                : array_map(
                    fn (Piece $piece): array => ['text' => $piece->text, 'at' => $piece->at],
                    $sentence->pieces,
                ),
        ];
    }

    /** @return array<string, string> what the parts of the first card show, by their places; of a picture its name */
    private function sample(Module $module, Result $result, Context $context): array
    {
        $keys = array_slice($result->keys, 0, 1);
        $record = $this->records->records($module->source, $keys, $module->shownCard->fields(), $context)[0] ?? null;
        $cards = new CardContext($context, $this->format);

        return $record === null ? [] : array_filter(array_map(
            fn (Part $part): string => $part->value($record, $cards)->text ?? '',
            $module->shownCard->parts(),
        ), fn (string $text): bool => $text !== '');
    }

    /** @return list<array{words: string, records: int}> */
    private function headings(Module $module, Result $result): array
    {
        $headings = $module->headings;

        return $headings === null
            ? []
            : array_map(
                fn (string|int $key): array => [
                    'words' => $headings->heading((string) $key, $this->format),
                    'records' => $result->headings[$key],
                ],
                array_keys($result->headings),
            );
    }

    /**
     * @return array{phone: RowShape, tablet: RowShape, laptop: RowShape, desktop: RowShape} how many cards stand in the
     *   last row of the last page, of how many
     */
    private function lastRow(Module $module, Result $result): array
    {
        $cards = (new PageNumbers(max(0, $result->total), $module->page->size))->on($result->pages);
        // Where there are no rows, none is short.
        $across = fn (Width $width): int => $module->arrange->hasRows() ? $module->arrange->columnsAt($width) : 1;
        $row = fn (Width $width): array => [
            'cards' => Columns::lastRow($cards, $across($width)),
            'columns' => $across($width),
        ];

        return [
            'phone' => $row(Width::Phone),
            'tablet' => $row(Width::Tablet),
            'laptop' => $row(Width::Laptop),
            'desktop' => $row(Width::Desktop),
        ];
    }
}
