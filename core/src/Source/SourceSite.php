<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The context for reading a source: the types, taxonomies and groups of the site. */
final readonly class SourceSite
{
    public function __construct(public Catalogue $catalogue, public Problems $problems)
    {
    }

    /**
     * @return non-empty-list<Type>|null the content types of a list, each once; null, and problems noted, where none
     */
    public function types(Shape $shape, string $key): ?array
    {
        $types = [];
        foreach ($shape->items($key) as $i => $given) {
            $type = is_string($given) ? $this->catalogue->type($given) : null;
            if ($type === null) {
                $this->problems->add(
                    "source.{$key}[{$i}]",
                    ProblemCode::UnknownType,
                    "expected a content type ({$this->known()}), found ".Shape::describe($given).'.',
                );
            } else {
                $types[$type->key] = $type;
            }
        }
        $types = array_values($types);
        if ($types === []) {
            if ($shape->items($key) === []) {
                $shape->wrong($key, "a list of content types, at least one ({$this->known()})", $shape->raw($key));
            }

            return null;
        }

        return $types;
    }

    public function type(Shape $shape): ?Type
    {
        $key = $shape->text('type');
        $type = $this->catalogue->type($key);
        if ($type === null && $key !== '') {
            $shape->wrong('type', "a content type ({$this->known()})", $key);
        }

        return $type;
    }

    public function taxonomy(Shape $shape, string $at): ?Taxonomy
    {
        $key = $shape->text($at);
        $taxonomy = $this->catalogue->taxonomies[$key] ?? null;
        if ($taxonomy === null && $key !== '') {
            $shape->wrong($at, 'a taxonomy ('.implode(', ', array_keys($this->catalogue->taxonomies)).')', $key);
        }

        return $taxonomy;
    }

    private function known(): string
    {
        return implode(', ', array_keys($this->catalogue->types));
    }
}
