<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Taxonomy\TermTree;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/**
 * A taxonomy file: key, label, whether it is a tree, the fields of its terms as in a type file, and the terms.
 */
final readonly class TaxonomyFile
{
    private const KEYS = ['format', 'key', 'label', 'tree', 'properties', 'required', 'terms'];

    /** @param  list<TermDraft>  $terms */
    private function __construct(public Taxonomy $taxonomy, public array $terms)
    {
    }

    /**
     * @param  mixed  $data  the decoded file
     *
     * @throws Refused
     */
    public static function read(mixed $data): self
    {
        $problems = new Problems;
        $file = new Shape($data, '', $problems, self::KEYS);
        if ($file->raw('format') !== 1) {
            $file->wrong('format', 'the format number 1', $file->raw('format'));
        }
        $key = $file->text('key');
        if ($key !== '' && preg_match(Type::KEY, $key) !== 1) {
            $file->wrong('key', 'small letters, digits and _, beginning with a letter', $key);
        }
        if (in_array($key, ReservedKeys::ofTaxonomies(), true)) {
            $problems->add(
                'key',
                ProblemCode::ReservedKey,
                "“{$key}” has a meaning of its own in rules and imports; expected another key.",
            );
        }
        $label = $file->text('label');
        $tree = $file->flag('tree');
        $fields = TypeFile::readFields($file, ReservedKeys::ofTerms(), $problems);
        foreach ($fields as $field) {
            if ($field->family()->isLink()) {
                $problems->add(
                    "properties.{$field->key}",
                    ProblemCode::WrongKind,
                    "a term’s field cannot be of the kind {$field->kind->key()}.",
                );
            }
        }
        $reader = new TermReader($fields);
        $terms = [];
        foreach ($file->items('terms') as $i => $one) {
            $terms[] = $reader->read(new Shape($one, "terms[{$i}]", $problems), $problems, $tree);
        }
        $file->noOthers();
        self::refuseTwice($terms, $problems);
        $problems->refuseIfAny();

        return new self(new Taxonomy($key, $label, $tree, new TermTree, $fields), $terms);
    }

    /**
     * @param  list<TermDraft>  $terms
     * @param  array<string, true>  $seen
     */
    private static function refuseTwice(array $terms, Problems $problems, array &$seen = []): void
    {
        foreach ($terms as $term) {
            if (isset($seen[$term->slug])) {
                $problems->add(
                    'terms',
                    ProblemCode::Twice,
                    "the slug “{$term->slug}” stands twice; expected each once.",
                );
            }
            $seen[$term->slug] = true;
            self::refuseTwice($term->below, $problems, $seen);
        }
    }

    /**
     * @param  list<TermDraft>  $terms
     * @return array<string, mixed>
     */
    public static function write(Taxonomy $taxonomy, array $terms): array
    {
        return ['format' => 1, 'key' => $taxonomy->key, 'label' => $taxonomy->label, 'tree' => $taxonomy->tree]
            + ($taxonomy->fields === [] ? [] : TypeFile::writeFields($taxonomy->fields))
            + ['terms' => array_map(self::writeTerm(...), $terms)];
    }

    /** @return array<string, mixed> */
    private static function writeTerm(TermDraft $term): array
    {
        return ['slug' => $term->slug, 'name' => $term->name]
            + array_filter(
                ['description' => $term->description, 'picture' => $term->picture, 'colour' => $term->colour],
                fn (?string $said): bool => $said !== null && $said !== '',
            )
            + ($term->fields === [] ? [] : ['fields' => $term->fields])
            + ($term->below === [] ? [] : ['below' => array_map(self::writeTerm(...), $term->below)]);
    }
}
