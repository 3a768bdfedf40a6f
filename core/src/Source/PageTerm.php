<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\SubjectPart;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** The term that the page is about; no record on other pages. */
final readonly class PageTerm implements Source
{
    use Defaults;

    private Type $shared;

    /**
     * @param  non-empty-array<string, Taxonomy>  $taxonomies  by key: all of the site, or the given one
     * @param  bool  $named  true if the definition gives the taxonomy
     */
    public function __construct(public array $taxonomies, private bool $named)
    {
        $this->shared = TermType::shared($taxonomies);
    }

    public static function keys(): array
    {
        return ['page'];
    }

    public static function isSaidBy(Shape $shape): bool
    {
        return $shape->has('page') && $shape->raw('page') === 'term';
    }

    public static function starts(): array
    {
        return [new SourceStart('pageTerm', 'The page’s term', fn (): array => ['page' => 'term'])];
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $all = $site->catalogue->taxonomies;
        if (! $shape->has('of')) {
            if ($all === []) {
                $site->problems->add(
                    'source.page',
                    ProblemCode::WrongValue,
                    'expected a site with at least one taxonomy; this one has none.',
                );
            }

            return $all === [] ? null : new self($all, named: false);
        }
        $taxonomy = $site->taxonomy($shape, 'of');

        return $taxonomy === null ? null : new self([$taxonomy->key => $taxonomy], named: true);
    }

    public static function schemas(): array
    {
        return [[
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['page'],
            'properties' => ['page' => ['const' => 'term'], 'of' => ['type' => 'string']],
        ]];
    }

    public function type(): Type
    {
        return $this->shared;
    }

    /** The taxonomy of the page's term, if the source includes it. */
    public function taxonomy(Context $context): ?Taxonomy
    {
        return $this->taxonomies[$context->page->term['taxonomy'] ?? ''] ?? null;
    }

    public function typeKeys(): array
    {
        return [];
    }

    public function accepts(string $kind): bool
    {
        return in_array(
            $kind,
            array_map(fn (Taxonomy $taxonomy): string => TermType::key($taxonomy->key), $this->taxonomies),
            true,
        );
    }

    public function whyNot(Record $record, Context $context): string
    {
        $taxonomy = $this->taxonomy($context);
        $slug = $context->page->term['slug'] ?? '';

        return match (true) {
            $taxonomy === null => 'The module takes the term that the page is about, and this page is about none of '
                .'its own.',
            $record->type === TermType::key($taxonomy->key) && $record->slug === $slug => '',
            default => 'The page is about “'.($taxonomy->terms->find($slug)->name ?? $slug).'”.',
        };
    }

    public function records(array $all, Context $context): array
    {
        $taxonomy = $this->taxonomy($context);

        return $taxonomy === null
            ? []
            : array_values(
                array_filter(
                    (new TaxonomyTerms($taxonomy))->records($all, $context),
                    fn (Record $record): bool => $this->contains($record, $context),
                ),
            );
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Terms;
    }

    public function slugTaxonomy(): ?string
    {
        return count($this->taxonomies) === 1 ? array_key_first($this->taxonomies) : null;
    }

    public function takesFromPage(): array
    {
        return ['part' => SubjectPart::Term, 'of' => $this->named ? (string) array_key_first($this->taxonomies) : ''];
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->shared->reachable['title']);
    }

    public function pieces(Format $format): array
    {
        return [new Piece(
            'the term'.($this->named ? ' of '.$this->shared->plural : '').' that the page is about',
            'source',
        )];
    }

    public function toArray(): array
    {
        return ['page' => 'term'] + ($this->named ? ['of' => array_key_first($this->taxonomies)] : []);
    }
}
