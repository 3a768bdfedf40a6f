<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Time\CalendarUnit;

/** Reads what a module draws from. */
final readonly class SourceReader
{
    private const KINDS = ['items', 'terms', 'people', 'months', 'years', 'page', 'one'];

    public function __construct(private Catalogue $catalogue, private Problems $problems)
    {
    }

    public function read(Shape $definition): ?Source
    {
        $data = $definition->raw('source');
        $shape = new Shape($data, 'source', $this->problems);
        if (! is_array($data)) {
            return null;
        }
        $kinds = array_values(array_filter(self::KINDS, $shape->has(...)));
        if (count($kinds) !== 1) {
            $this->problems->add('source', 'wrongSource', 'expected exactly one of '.implode(', ', self::KINDS).'.');

            return null;
        }
        $source = match ($kinds[0]) {
            'items' => $this->items($shape, 'items'),
            'terms' => $this->terms($shape),
            'people' => $this->people($shape),
            'months' => $this->stretches($shape, CalendarUnit::Month),
            'years' => $this->stretches($shape, CalendarUnit::Year),
            'page' => $this->page($shape),
            default => $this->one($shape),
        };
        if ($source !== null) {
            $shape->noOthers();
        }

        return $source;
    }

    private function items(Shape $shape, string $key): ?Items
    {
        $types = [];
        foreach ($shape->items($key) as $i => $given) {
            $type = is_string($given) ? $this->catalogue->type($given) : null;
            if ($type === null) {
                $this->problems->add(
                    "source.{$key}[{$i}]",
                    'unknownType',
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

        return new Items($types);
    }

    private function terms(Shape $shape): ?TaxonomyTerms
    {
        $taxonomy = $this->taxonomy($shape, 'terms');
        if ($taxonomy === null) {
            return null;
        }
        $under = $shape->has('under') ? $shape->text('under') : null;
        if ($under !== null && $taxonomy->terms->find($under) === null) {
            $shape->wrong('under', "the slug of a term of {$taxonomy->label}", $under);
        }

        return new TaxonomyTerms($taxonomy, $under, $shape->flag('used'));
    }

    private function people(Shape $shape): People
    {
        $people = new Shape($shape->raw('people'), 'source.people', $this->problems);
        $groups = [];
        foreach ($people->items('groups') as $i => $group) {
            if (is_string($group) && isset($this->catalogue->groups[$group])) {
                $groups[$group] = $this->catalogue->groups[$group];
            } else {
                $this->problems->add(
                    "source.people.groups[{$i}]",
                    'unknownGroup',
                    'expected a group of people ('.implode(', ', array_keys($this->catalogue->groups)).'), found '
                        .Shape::describe($group).'.',
                );
            }
        }
        $people->noOthers();

        return new People($groups, $this->catalogue->groups);
    }

    private function stretches(Shape $shape, CalendarUnit $per): ?Archive
    {
        $items = $this->items($shape, "{$per->value}s");
        if ($items === null) {
            return null;
        }
        $key = $shape->text('by', 'publish_at');
        $by = $items->type()->field($key);
        if ($by === null || ! in_array($by->family(), [Family::Date, Family::Instant], true)) {
            $shape->wrong('by', "a date of {$items->type()->plural}", $key);

            return null;
        }

        return new Archive($items, $per, $by);
    }

    private function page(Shape $shape): ?Source
    {
        if ($shape->oneOf('page', ['item', 'term']) === 'term') {
            $all = $this->catalogue->taxonomies;
            if (! $shape->has('of')) {
                if ($all === []) {
                    $this->problems->add(
                        'source.page',
                        'wrongValue',
                        'expected a site with at least one taxonomy; this one has none.',
                    );
                }

                return $all === [] ? null : new PageTerm($all, named: false);
            }
            $taxonomy = $this->taxonomy($shape, 'of');

            return $taxonomy === null ? null : new PageTerm([$taxonomy->key => $taxonomy], named: true);
        }
        $types = array_values($this->catalogue->types);
        if (! $shape->has('type')) {
            if ($types === []) {
                $this->problems->add(
                    'source.page',
                    'wrongValue',
                    'expected a site with at least one content type; this one has none.',
                );
            }

            return $types === [] ? null : new PageItem($types, named: false);
        }
        $type = $this->type($shape);

        return $type === null ? null : new PageItem([$type], named: true);
    }

    private function one(Shape $shape): ?OneItem
    {
        $type = $this->type($shape);
        $slug = $shape->text('one');
        if ($slug !== '' && ! Slug::isOne($slug)) {
            $shape->wrong('one', 'the slug of an item', $slug);
        }

        return $type === null ? null : new OneItem($type, $slug);
    }

    private function type(Shape $shape): ?Type
    {
        $key = $shape->text('type');
        $type = $this->catalogue->type($key);
        if ($type === null && $key !== '') {
            $shape->wrong('type', "a content type ({$this->known()})", $key);
        }

        return $type;
    }

    private function taxonomy(Shape $shape, string $at): ?Taxonomy
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
