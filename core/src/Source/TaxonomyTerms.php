<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** The terms of a taxonomy, each with the number of items that have it or a term below it. */
final readonly class TaxonomyTerms implements Source
{
    use Defaults;

    private Type $type;

    /**
     * @param  string|null  $under  slug: only the terms below it
     * @param  bool  $used  only terms with counted items
     * @param  non-empty-list<Type>|null  $counting  the types whose items are counted; null: all
     */
    public function __construct(
        public Taxonomy $taxonomy,
        public ?string $under = null,
        public bool $used = false,
        public ?array $counting = null,
    ) {
        $this->type = TermType::of($taxonomy);
    }

    public static function keys(): array
    {
        return ['terms'];
    }

    public static function starts(): array
    {
        return [
            new SourceStart('terms', 'Terms', fn (string $type, string $taxonomy): array => ['terms' => $taxonomy]),
        ];
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $taxonomy = $site->taxonomy($shape, 'terms');
        if ($taxonomy === null) {
            return null;
        }
        $under = $shape->has('under') ? $shape->text('under') : null;
        if ($under !== null && $taxonomy->terms->find($under) === null) {
            $shape->wrong('under', "the slug of a term of {$taxonomy->label}", $under);
        }

        $counting = $shape->has('counting') ? $site->types($shape, 'counting') : null;

        return new self($taxonomy, $under, $shape->flag('used'), $counting);
    }

    /** Counts the types that the page of its terms lists, so that a count is the number of records behind its link. */
    public function forPublishing(\Closure $listed): self
    {
        $types = $this->counting ?? $listed($this->taxonomy->key);

        return $types === [] ? $this : new self($this->taxonomy, $this->under, $this->used, $types);
    }

    /** @return list<string> keys of the types whose items are counted; empty: all */
    public function countedTypes(): array
    {
        return array_map(fn (Type $type): string => $type->key, $this->counting ?? []);
    }

    public static function schemas(): array
    {
        return [[
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['terms'],
            'properties' => [
                'terms' => ['type' => 'string'],
                'under' => ['type' => 'string'],
                'used' => ['type' => 'boolean'],
                'counting' => [
                    'type' => 'array', 'minItems' => 1, 'items' => ['type' => 'string'],
                    'description' => 'The types whose items are counted. If it is not said, publishing takes the '
                        .'types that the page of the terms lists, or all types if there is no such page.',
                ],
            ],
        ]];
    }

    public function type(): Type
    {
        return $this->type;
    }

    public function typeKeys(): array
    {
        return [];
    }

    /** @return list<string>|null slugs of the terms that it takes; null: all */
    public function among(): ?array
    {
        return $this->under === null
            ? null
            : array_values(array_diff($this->taxonomy->terms->withBelow($this->under), [$this->under]));
    }

    public function accepts(string $kind): bool
    {
        return $kind === $this->type->key;
    }

    public function whyNot(Record $record, Context $context): string
    {
        return match (true) {
            $this->among() !== null && ! in_array(
                $record->slug,
                $this->among(),
                true,
            ) => "It does not stand below {$this->underName()}.",
            $this->used && (int) $record->value(
                $this->type->fields['count'],
            ) === 0 => 'No item that may be seen now has it or a term below it.',
            default => '',
        };
    }

    private function underName(): string
    {
        return $this->taxonomy->terms->find((string) $this->under)->name ?? (string) $this->under;
    }

    public function records(array $all, Context $context): array
    {
        $types = $this->countedTypes();
        $items = array_values(array_filter(
            $all,
            fn (Record $record): bool => ($types === [] || in_array($record->type, $types, true))
                && $context->admits($record),
        ));
        $counted = array_map(
            fn (Record $term): Record => $term->with([
                'count' => TermType::count($this->taxonomy, $term->slug, $items),
            ]),
            array_values(array_filter($all, fn (Record $record): bool => $record->type === $this->type->key)),
        );

        return array_values(array_filter($counted, fn (Record $term): bool => $this->contains($term, $context)));
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Terms;
    }

    public function slugTaxonomy(): string
    {
        return $this->taxonomy->key;
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->type->fields['place']);
    }

    public function about(): array
    {
        return ['term' => $this->taxonomy->key];
    }

    public function pieces(Format $format): array
    {
        return [
            new Piece('the terms of '.$this->taxonomy->label, 'source'),
            ...$this->under === null ? [] : [new Piece(' below '), new Piece($this->underName(), 'source.under')],
            ...$this->used ? [new Piece(' that are in use')] : [],
            ...$this->counting === null ? [] : [
                new Piece(', counting '),
                new Piece(
                    implode(' and ', array_map(fn (Type $type): string => $type->plural, $this->counting)),
                    'source.counting',
                ),
            ],
        ];
    }

    public function toArray(): array
    {
        return ['terms' => $this->taxonomy->key] + (
            $this->under === null ? [] : ['under' => $this->under]
        ) + ($this->used ? ['used' => true] : [])
            + ($this->counting === null ? [] : ['counting' => $this->countedTypes()]);
    }

    public function references(string $at, array $types): array
    {
        return $this->under === null ? [] : [Reference::toTerm("{$at}.under", $this->taxonomy->key, $this->under)];
    }
}
