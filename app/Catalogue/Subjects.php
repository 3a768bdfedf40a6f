<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Models\Item;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Period;

/** Finds the record that a page is about from its text form. */
final readonly class Subjects
{
    private const EXPECTED = 'item:TYPE/SLUG, term:TAXONOMY/SLUG, month:2026-05, year:2026 or person:E-MAIL';

    public function __construct(private CatalogueStore $catalogue)
    {
    }

    /**
     * @param  string  $about  `item:TYPE/SLUG`, `term:TAXONOMY/SLUG`, `month:2026-05`, `year:2026` or `person:E-MAIL`;
     *   empty: none
     * @param  string  $place  where the text was given, for problems
     *
     * @throws Refused
     */
    public function find(string $about, string $place): PageSubject
    {
        [$kind, $name] = explode(':', $about, 2) + ['', ''];

        return match (true) {
            $about === '' => new PageSubject,
            $kind === 'item' => $this->item($name, $place),
            $kind === 'term' => $this->term($name, $place),
            $kind === 'month' && strlen($name) === 7,
            $kind === 'year' && strlen($name) === 4 => Period::days($name) === null
                ? throw self::wrong($about, $place)
                : new PageSubject(month: $name),
            $kind === 'person' && str_contains($name, '@') => new PageSubject(person: mb_strtolower($name)),
            default => throw self::wrong($about, $place),
        };
    }

    private function item(string $name, string $place): PageSubject
    {
        [$type, $slug] = explode('/', $name, 2) + ['', ''];
        $item = Item::query()->where('type_key', $type)->where('slug', $slug)->first();

        return $item === null
            ? throw Refused::because(
                $place,
                ProblemCode::UnknownItem,
                "there is no item “{$name}”; expected item:TYPE/SLUG.",
            )
            : new PageSubject(Records::complete($item));
    }

    private function term(string $name, string $place): PageSubject
    {
        [$taxonomy, $slug] = explode('/', $name, 2) + ['', ''];
        $term = ($this->catalogue->catalogue()->taxonomies[$taxonomy] ?? null)?->terms->find($slug);

        return $term === null
            ? throw Refused::because(
                $place,
                ProblemCode::UnknownTerm,
                "there is no term “{$name}”; expected term:TAXONOMY/SLUG.",
            )
            : new PageSubject(term: ['taxonomy' => $taxonomy, 'slug' => $slug]);
    }

    private static function wrong(string $about, string $place): Refused
    {
        return Refused::because($place, ProblemCode::WrongValue, 'expected '.self::EXPECTED.", found “{$about}”.");
    }
}
