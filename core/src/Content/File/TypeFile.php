<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Kinds;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Taxonomy\TermTree;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Whitespace;

/**
 * Reads and writes a content type as a JSON Schema (2020-12) document. Properties without a JSON Schema keyword are
 * under `x-wellspring`.
 */
final readonly class TypeFile
{
    private const KEYS = ['$schema', 'type', 'title', 'x-wellspring', 'properties', 'required'];

    /** Keys under `x-wellspring`. */
    private const OWN_KEYS = ['format', 'key', 'plural', 'address', 'taxonomies'];

    public const DRAFT = 'https://json-schema.org/draft/2020-12/schema';

    /**
     * @param  mixed  $data  the decoded document
     * @param  array<string, Taxonomy>  $taxonomies  the site's taxonomies; an unknown one is created, flat
     * @param  bool  $stored  true for files from the site's own database, which may use keys that were reserved later
     *
     * @throws Refused
     */
    public static function read(mixed $data, array $taxonomies = [], bool $stored = false): Type
    {
        $problems = new Problems;
        $file = new Shape($data, '', $problems, self::KEYS);
        $file->oneOf('$schema', [self::DRAFT]);
        $file->oneOf('type', ['object']);
        $label = $file->text('title');
        $own = new Shape($file->raw('x-wellspring'), 'x-wellspring', $problems, self::OWN_KEYS);
        if ($own->raw('format') !== 1) {
            $own->wrong('format', 'the format number 1', $own->raw('format'));
        }
        $key = $own->text('key');
        if ($key !== '' && preg_match(Type::KEY, $key) !== 1) {
            $own->wrong('key', 'small letters, digits and _, beginning with a letter', $key);
        }
        $plural = $own->text('plural', $label);
        $address = $own->text('address', '/'.$key.'/{slug}');
        if (
            preg_match('~^(/[a-z0-9-]+)+/\{slug\}$~D', $address) !== 1
            || preg_match('~^/(manage|media|up|build)/~', $address) === 1
        ) {
            $own->wrong(
                'address',
                'an address that ends in /{slug}, such as /plots/{slug}, and does not begin with /manage, /media, '
                    .'/build or /up',
                $address,
            );
        }
        $named = [];
        foreach ($own->items('taxonomies') as $i => $one) {
            if (! is_string($one) || preg_match(Type::KEY, $one) !== 1) {
                $problems->add(
                    "x-wellspring.taxonomies[{$i}]",
                    ProblemCode::WrongValue,
                    'expected the key of a taxonomy, found '.Shape::describe($one).'.',
                );
            } elseif (! isset($taxonomies[$one]) && in_array($one, ReservedKeys::ofTaxonomies(), true)) {
                $problems->add(
                    "x-wellspring.taxonomies[{$i}]",
                    ProblemCode::ReservedKey,
                    "“{$one}” has a meaning of its own in rules and imports; expected another key.",
                );
            } else {
                $named[$one] = $taxonomies[$one]
                    ?? new Taxonomy($one, ucfirst(str_replace('_', ' ', $one)), false, new TermTree);
            }
        }
        $own->noOthers();
        $fields = self::readFields($file, $stored ? [] : ReservedKeys::ofType($named), $problems);
        $file->noOthers();
        $problems->refuseIfAny();

        return new Type($key, $label, $plural, $address, $fields, $named);
    }

    /**
     * Reads the `properties` and `required` of a type or a taxonomy.
     *
     * @param  list<string>  $taken  keys that no field may have
     * @return array<string, Field>
     */
    public static function readFields(Shape $file, array $taken, Problems $problems): array
    {
        $properties = $file->has('properties') ? $file->raw('properties') : [];
        if (! is_array($properties)) {
            $file->wrong('properties', 'an object with a field under each key', $properties);
            $properties = [];
        }
        $required = [];
        foreach ($file->items('required') as $i => $one) {
            if (! is_string($one) || ! array_key_exists($one, $properties)) {
                $problems->add(
                    "required[{$i}]",
                    ProblemCode::UnknownField,
                    'expected the key of one of the properties, found '.Shape::describe($one).'.',
                );
            } else {
                $required[] = $one;
            }
        }
        $fields = [];
        foreach ($properties as $key => $schema) {
            $key = (string) $key;
            $path = Path::to('properties', $key);
            if (preg_match(Field::KEY, $key) !== 1) {
                $problems->add(
                    $path,
                    ProblemCode::WrongKey,
                    'a field’s key is small letters, digits and _, beginning with a letter.',
                );
            } elseif (in_array($key, $taken, true)) {
                $problems->add(
                    $path,
                    ProblemCode::TakenKey,
                    'this key has a meaning of its own in rules and imports, or is a taxonomy’s; expected another.',
                );
            } else {
                $fields[$key] = self::field(
                    $key,
                    new Shape($schema, $path, $problems),
                    in_array($key, $required, true),
                    $problems,
                );
            }
        }

        $fields = array_filter($fields);
        self::checkRanges($fields, $problems);

        return $fields;
    }

    /**
     * A range begins with another field of the same kind, which must not end a range itself.
     *
     * @param  array<string, Field>  $fields
     */
    private static function checkRanges(array $fields, Problems $problems): void
    {
        foreach ($fields as $key => $field) {
            $from = $field->limits->rangeFrom;
            if ($from === null) {
                continue;
            }
            $begins = $fields[$from] ?? null;
            if ($from === $key || $begins === null || $begins->kind->key() !== $field->kind->key()) {
                $problems->add(
                    Path::to('properties', $key).'.x-wellspring.rangeFrom',
                    ProblemCode::UnknownField,
                    "expected the key of another field of the kind {$field->kind->key()}, found “{$from}”.",
                );
            }
        }
    }

    private static function field(string $key, Shape $schema, bool $required, Problems $problems): ?Field
    {
        $label = $schema->text('title', ucfirst(str_replace('_', ' ', $key)));
        $help = $schema->has('description') ? $schema->text('description') : '';
        $own = new Shape($schema->raw('x-wellspring'), $schema->at('x-wellspring'), $problems);
        $kind = Kinds::find($own->oneOf('kind', array_keys(Kinds::all())));
        if ($kind === null) {
            return null;
        }
        $says = fn (Limit $limit): bool => in_array($limit, $kind->limits(), true);
        $choices = $says(Limit::Choices) ? self::choices($schema, $own, $problems) : [];
        $field = new Field(
            $key, $label, $kind, Origin::Type, $required, $choices,
            colours: $says(Limit::Choices) ? self::colours($own, $choices, $problems) : [],
            unit: $says(Limit::Unit) && $own->has('unit') ? $own->text('unit') : '',
            limits: $kind->readLimits(new LimitReader($schema, $own)),
            help: $help,
            section: $own->has('section') ? $own->text('section') : '',
            types: $says(Limit::Types) ? self::types($own, $problems) : [],
        );
        $default = $says(Limit::Default) && $schema->has('default') ? self::default($schema, $field) : null;
        $own->noOthers();
        self::checkWords($schema, $field);
        $schema->noOthers();

        return $default === null ? $field : $field->with(default: $default);
    }

    private static function default(Shape $schema, Field $field): mixed
    {
        try {
            return $field->kind->read($schema->raw('default'), $field);
        } catch (WrongValue $wrong) {
            $schema->wrong(
                'default',
                'a value that the field takes ('.rtrim($wrong->getMessage(), '.').')',
                $schema->raw('default'),
            );

            return null;
        }
    }

    /** JSON Schema keywords that follow from the kind are optional; if present, they must be the kind's. */
    private static function checkWords(Shape $schema, Field $field): void
    {
        $expected = $field->kind->schema($field);
        foreach ([
            'type', 'format', 'uniqueItems', 'pattern', 'items', 'properties', 'additionalProperties', 'enum',
        ] as $word) {
            $isLimit = $word === 'pattern' && in_array(Limit::Pattern, $field->kind->limits(), true)
                || in_array($word, ['enum', 'items'], true) && in_array(Limit::Choices, $field->kind->limits(), true);
            if (
                $schema->has($word)
                && ! $isLimit
                && self::canonical($schema->raw($word)) !== self::canonical($expected[$word] ?? null)
            ) {
                $schema->wrong(
                    $word,
                    isset($expected[$word])
                        ? (string) json_encode($expected[$word], JSON_UNESCAPED_SLASHES)
                            ." for the kind {$field->kind->key()}"
                        : "no {$word} for the kind {$field->kind->key()}",
                    $schema->raw($word),
                );
            }
        }
    }

    /** A form that is equal for two values that differ only in the order of keys. */
    private static function canonical(mixed $value): string
    {
        $sort = function (mixed $value) use (&$sort): mixed {
            if (is_array($value)) {
                $value = array_map($sort, $value);
                array_is_list($value) || ksort($value);
            }

            return $value;
        };

        return (string) json_encode($sort($value));
    }

    /** @return list<string> */
    private static function types(Shape $own, Problems $problems): array
    {
        $types = [];
        foreach ($own->items('types') as $i => $one) {
            if (! is_string($one) || preg_match(Type::KEY, $one) !== 1) {
                $problems->add(
                    Path::to($own->at('types'), $i),
                    ProblemCode::WrongValue,
                    'expected the key of a content type, found '.Shape::describe($one).'.',
                );
            } else {
                $types[$one] = $one;
            }
        }
        if ($types === []) {
            $own->wrong('types', 'a list of content types, at least one', $own->raw('types'));
        }

        return array_values($types);
    }

    /** @return array<array-key, string> */
    private static function choices(Shape $schema, Shape $own, Problems $problems): array
    {
        $labels = self::map($own, 'labels');
        $keys = $schema->has('items')
            ? (new Shape($schema->raw('items'), $schema->at('items'), $problems))->items('enum')
            : $schema->items('enum');
        if ($keys === []) {
            $schema->wrong('enum', 'a list of choices, at least one', null);
        }
        $choices = [];
        foreach ($keys as $i => $key) {
            if (! is_string($key) || preg_match(Field::CHOICE, $key) !== 1) {
                $problems->add(
                    Path::to($schema->at('enum'), $i),
                    ProblemCode::WrongValue,
                    'expected a choice’s key without | and of at most 100 characters, found '.Shape::describe($key).'.',
                );

                continue;
            }
            $label = $labels[$key] ?? null;
            $choices[$key] = is_string($label) && ! Whitespace::isAll($label)
                ? Whitespace::trim($label)
                : ucfirst(str_replace('-', ' ', $key));
        }
        foreach (array_diff(array_keys($labels), array_keys($choices)) as $unknown) {
            $problems->add(
                Path::to($own->at('labels'), (string) $unknown),
                ProblemCode::UnknownKey,
                'is not one of the choices.',
            );
        }

        return $choices;
    }

    /**
     * @return array<array-key, mixed> the value of each key; numeric keys are read from a list
     */
    private static function map(Shape $own, string $key): array
    {
        $map = $own->has($key) ? $own->raw($key) : [];
        if (! is_array($map) && ! $map instanceof \stdClass) {
            $own->wrong($key, 'an object with words under each choice', $map);

            return [];
        }

        return (array) $map;
    }

    /**
     * @param  array<array-key, string>  $choices
     * @return array<array-key, string>
     */
    private static function colours(Shape $own, array $choices, Problems $problems): array
    {
        $colours = [];
        foreach (self::map($own, 'colours') as $key => $colour) {
            $path = Path::to($own->at('colours'), (string) $key);
            if (! isset($choices[$key])) {
                $problems->add($path, ProblemCode::UnknownKey, 'is not one of the choices.');

                continue;
            }
            try {
                $colours[$key] = Kind\Colour::hex($colour);
            } catch (WrongValue $wrong) {
                $problems->add($path, ProblemCode::WrongValue, $wrong->getMessage());
            }
        }

        return $colours;
    }

    /** @return array<string, mixed> */
    public static function write(Type $type): array
    {
        return [
            '$schema' => self::DRAFT,
            'title' => $type->label,
            'type' => 'object',
            'x-wellspring' => [
                'format' => 1,
                'key' => $type->key,
                'plural' => $type->plural,
                'address' => $type->address,
                'taxonomies' => array_map(strval(...), array_keys($type->taxonomies)),
            ],
        ] + self::writeFields($type->fields);
    }

    /**
     * @param  array<string, Field>  $fields
     * @return array{properties: array<string, mixed>|object, required?: list<string>}
     */
    public static function writeFields(array $fields): array
    {
        $properties = [];
        foreach ($fields as $field) {
            $own = ['kind' => $field->kind->key()] + array_filter([
                'unit' => $field->unit === '' ? null : $field->unit,
                'decimals' => $field->limits->decimals,
                'earliest' => $field->limits->earliest,
                'latest' => $field->limits->latest,
                'rangeFrom' => $field->limits->rangeFrom,
                'labels' => $field->choices === [] ? null : (object) $field->choices,
                'colours' => $field->colours === [] ? null : (object) $field->colours,
                'types' => $field->types === [] ? null : $field->types,
                'section' => $field->section === '' ? null : $field->section,
            ], fn (mixed $said): bool => $said !== null);
            $properties[$field->key] = ['title' => $field->label]
                + ($field->help === '' ? [] : ['description' => $field->help])
                + $field->kind->schema($field)
                + ($field->default === null ? [] : ['default' => $field->default])
                + ['x-wellspring' => $own];
        }
        $required = array_values(
            array_map(
                fn (Field $field): string => $field->key,
                array_filter($fields, fn (Field $field): bool => $field->required),
            ),
        );

        return ['properties' => $properties === [] ? (object) [] : $properties]
            + ($required === [] ? [] : ['required' => $required]);
    }
}
