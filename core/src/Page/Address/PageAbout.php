<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Address;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Taxonomy\TermTree;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Source\Archive;
use Wellspring\Core\Source\Items;
use Wellspring\Core\Source\People;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Source\TaxonomyTerms;
use Wellspring\Core\Time\CalendarUnit;

/**
 * The records that one page serves: the terms of a taxonomy, the items of a type, months or years with items, or
 * people.
 */
final readonly class PageAbout
{
    /**
     * @param  list<string>  $of  the key of the taxonomy or type, or the types of a month or year; empty for people
     * @param  string  $by  the date field of a month or a year
     * @param  string|null  $under  the slug of a term: only this term and those below it
     * @param  list<string>  $only  slugs: only these records
     */
    private function __construct(
        public AboutKind $kind,
        public array $of = [],
        public string $by = '',
        public ?string $under = null,
        public array $only = [],
    ) {
    }

    /** Returns null and adds problems if it is invalid. */
    public static function read(Shape $shape, Catalogue $catalogue, Problems $problems): ?self
    {
        $said = array_values(array_filter(AboutKind::cases(), fn (AboutKind $one): bool => $shape->has($one->value)));
        $kind = count($said) === 1 ? $said[0] : null;
        $of = match ($kind) {
            null => null,
            AboutKind::Term => self::known($shape, 'term', array_keys($catalogue->taxonomies), 'taxonomy'),
            AboutKind::Item => self::known($shape, 'item', array_keys($catalogue->types), 'type'),
            AboutKind::Person => self::everybody($shape),
            default => self::types($shape, $kind->value, $catalogue),
        };
        $dated = $kind === AboutKind::Month || $kind === AboutKind::Year;
        $by = $dated ? self::dated($shape, array_map($catalogue->type(...), $of ?? [])) : '';
        $under = $kind === AboutKind::Term && $shape->has('under') ? $shape->text('under') : null;
        $terms = $kind === AboutKind::Term && $of !== null ? $catalogue->taxonomies[$of[0]]->terms : null;
        if ($under !== null && $under !== '' && $terms !== null && $terms->find($under) === null) {
            $shape->wrong('under', 'the slug of a term', $under);
        }
        $only = $shape->slugs('only');
        if ($kind === null) {
            $problems->add(
                $shape->path,
                ProblemCode::WrongValue,
                'expected exactly one of '.implode(', ', array_column(AboutKind::cases(), 'value')).'.',
            );
        } else {
            $shape->noOthers();
        }

        return $kind === null || $of === null ? null : new self($kind, $of, $by, $under, $only);
    }

    /**
     * How specifically the page serves a record: the smaller, the better.
     *
     * @param  TermTree|null  $terms  of the taxonomy, for pages about terms
     * @return int|null null where it does not fit
     */
    public function distance(string $slug, ?TermTree $terms): ?int
    {
        if ($this->only !== []) {
            return in_array($slug, $this->only, true) ? 0 : null;
        }
        if ($this->under === null) {
            return PHP_INT_MAX;
        }
        $above = 1;
        $term = $terms?->find($slug);
        while ($terms !== null && $term !== null) {
            if ($term->slug === $this->under) {
                return $above;
            }
            $above++;
            $term = $terms->find((string) $term->parent);
        }

        return null;
    }

    /** The source of the records; null if the site lacks the taxonomy or a type. */
    public function source(Catalogue $catalogue): ?Source
    {
        $taxonomy = $catalogue->taxonomies[$this->of[0] ?? ''] ?? null;
        $types = array_values(array_filter(array_map($catalogue->type(...), $this->of)));
        $items = $types === [] || count($types) < count($this->of) ? null : new Items($types);
        $by = $items?->type()->field($this->by);

        return match ($this->kind) {
            AboutKind::Term => $taxonomy === null ? null : new TaxonomyTerms($taxonomy),
            AboutKind::Item => $items,
            AboutKind::Person => new People([], $catalogue->groups),
            AboutKind::Month => $items === null || $by === null ? null : new Archive($items, CalendarUnit::Month, $by),
            AboutKind::Year => $items === null || $by === null ? null : new Archive($items, CalendarUnit::Year, $by),
        };
    }

    /** True if the page can be about records of the source; `distance()` decides for a single record. */
    public function isAboutRecordsOf(Source $source): bool
    {
        return $source->about() === match ($this->kind) {
            AboutKind::Term, AboutKind::Item => [$this->kind->value => $this->of[0]],
            AboutKind::Person => ['person' => true],
            AboutKind::Month, AboutKind::Year => [$this->kind->value => $this->of, 'by' => $this->by],
        };
    }

    /**
     * @param  string  $at  its place in the definition
     * @return list<Reference>
     */
    public function references(string $at, Catalogue $catalogue): array
    {
        $all = $this->source($catalogue)?->references($at, $this->of) ?? [];
        if ($this->kind !== AboutKind::Term) {
            return $all;
        }
        $terms = ["{$at}.under" => $this->under];
        foreach ($this->only as $i => $slug) {
            $terms["{$at}.only[{$i}]"] = $slug;
        }
        foreach (array_filter($terms, is_string(...)) as $place => $slug) {
            $all[] = Reference::toTerm($place, $this->of[0], $slug);
        }

        return $all;
    }

    public function words(): string
    {
        $all = match ($this->kind) {
            AboutKind::Term => "terms of {$this->of[0]}",
            AboutKind::Item => "items of {$this->of[0]}",
            AboutKind::Month => 'months that hold '.implode(' or ', $this->of),
            AboutKind::Year => 'years that hold '.implode(' or ', $this->of),
            AboutKind::Person => 'people',
        };

        return match (true) {
            $this->only !== [] => "the {$all} ".implode(', ', $this->only).' alone',
            $this->under !== null => "the {$all} from {$this->under} down",
            default => "all {$all}",
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [$this->kind->value => match ($this->kind) {
            AboutKind::Term, AboutKind::Item => $this->of[0],
            AboutKind::Person => true,
            default => $this->of,
        }]
            + ($this->by === '' ? [] : ['by' => $this->by])
            + ($this->under === null ? [] : ['under' => $this->under])
            + ($this->only === [] ? [] : ['only' => $this->only]);
    }

    /**
     * @param  list<int|string>  $known
     * @return array{string}|null
     */
    private static function known(Shape $shape, string $key, array $known, string $what): ?array
    {
        $said = $shape->text($key);
        if (! in_array($said, array_map(strval(...), $known), true)) {
            if ($said !== '') {
                $shape->wrong($key, "the key of a {$what} (".implode(', ', $known).')', $said);
            }

            return null;
        }

        return [$said];
    }

    /** @return list<string>|null */
    private static function everybody(Shape $shape): ?array
    {
        return $shape->flag('person') ? [] : null;
    }

    /** @return non-empty-list<string>|null */
    private static function types(Shape $shape, string $key, Catalogue $catalogue): ?array
    {
        $types = $shape->slugs($key);
        $unknown = array_diff($types, array_map(strval(...), array_keys($catalogue->types)));
        if ($types === [] || $unknown !== []) {
            $shape->wrong(
                $key,
                'a list of content types ('.implode(', ', array_keys($catalogue->types)).')',
                $unknown === [] ? $shape->raw($key) : array_values($unknown)[0],
            );

            return null;
        }

        return $types;
    }

    /** @param  list<Type|null>  $types */
    private static function dated(Shape $shape, array $types): string
    {
        $by = $shape->text('by', 'publish_at');
        foreach (array_filter($types) as $type) {
            if (! in_array($type->field($by)?->family()->value, ['date', 'instant'], true)) {
                $shape->wrong('by', "a date or time of {$type->plural}", $by);
            }
        }

        return $by;
    }
}
