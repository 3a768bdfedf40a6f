<?php

declare(strict_types=1);

namespace App\Import;

use App\Catalogue\CatalogueStore;
use App\Content\Taxonomies\TermWriter;
use App\Models\Term as TermRow;
use Wellspring\Core\Content\File\TermDraft;
use Wellspring\Core\Content\Taxonomy\Term;
use Wellspring\Core\Content\Taxonomy\TermTree;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Text\Whitespace;

/** Creates the missing terms of an import's paths. */
final readonly class TermMaker
{
    public function __construct(private TermWriter $writer, private CatalogueStore $catalogue)
    {
    }

    /**
     * @param  string  $cell  paths such as `Perennials > Ferns | Shade`
     * @return list<non-empty-list<string>> names from the root down, of every term that is not there, parents first
     */
    public function missing(Type $type, string $taxonomy, string $cell): array
    {
        $terms = $type->taxonomies[$taxonomy]->terms;
        $missing = [];
        foreach (explode('|', $cell) as $path) {
            $names = array_values(
                array_filter(
                    array_map(Whitespace::trim(...), explode('>', $path)),
                    fn (string $name): bool => $name !== '',
                ),
            );
            if ($names === [] || $terms->find(Whitespace::trim($path)) !== null || $terms->byPath($names) !== null) {
                continue;
            }
            if (count($names) > 1 && ! $type->taxonomies[$taxonomy]->tree) {
                continue;
            }
            for ($depth = 1; $depth <= count($names); $depth++) {
                $above = array_slice($names, 0, $depth);
                if ($this->at($terms, $above) === null) {
                    $missing[implode("\0", $above)] = $above;
                }
            }
        }

        return array_values($missing);
    }

    /**
     * @param  non-empty-list<string>  $names
     * @param  bool  $writing  true if it is stored; otherwise it only counts as created
     */
    public function make(Type $type, string $taxonomy, array $names, bool $writing): Type
    {
        $terms = $type->taxonomies[$taxonomy]->terms;
        $parent = count($names) === 1 ? null : $this->at($terms, array_slice($names, 0, -1));
        $name = mb_strimwidth($names[count($names) - 1], 0, 200);
        for ($base = $slug = Slug::from($name), $n = 2; $terms->find($slug) !== null; $n++) {
            $slug = "{$base}-{$n}";
        }
        if (! $writing) {
            return $type->withTerm($taxonomy, new Term($slug, $name, $parent?->slug));
        }
        $row = $parent === null ? null : TermRow::query()
            ->where('taxonomy_key', $taxonomy)
            ->where('slug', $parent->slug)
            ->firstOrFail();
        $this->writer->add($taxonomy, new TermDraft($slug, $name), $row);

        return $this->catalogue->catalogue()->types[$type->key];
    }

    /** @param  list<string>  $names  from the root down */
    private function at(TermTree $terms, array $names): ?Term
    {
        $found = $terms->byPath($names);

        return count($names) === 1 && $found?->parent !== null ? null : $found;
    }
}
