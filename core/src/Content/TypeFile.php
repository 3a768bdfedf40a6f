<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** A content type as a JSON Schema (2020-12) document, read and written. What the schema has no word for stands under `x-wellspring`. */
final readonly class TypeFile
{
    public const DRAFT = 'https://json-schema.org/draft/2020-12/schema';

    /**
     * @param  mixed  $data  the decoded document
     * @param  array<string, Taxonomy>  $taxonomies  those the site has; one that is named and absent is made, flat
     *
     * @throws Refused
     */
    public static function read(mixed $data, array $taxonomies = []): Type
    {
        $problems = new Problems;
        $file = new Shape($data, '', $problems);
        $file->oneOf('$schema', [self::DRAFT]);
        $file->oneOf('type', ['object']);
        $label = $file->text('title');
        $own = new Shape($file->raw('x-wellspring'), 'x-wellspring', $problems);
        if ($own->raw('format') !== 1) {
            $own->wrong('format', 'the format number 1', $own->raw('format'));
        }
        $key = $own->text('key');
        if ($key !== '' && preg_match(Type::KEY, $key) !== 1) {
            $own->wrong('key', 'small letters, digits and _, beginning with a letter', $key);
        }
        $plural = $own->text('plural', $label);
        $address = $own->text('address', '/'.$key.'/{slug}');
        if (preg_match('~^(/[a-z0-9-]+)+/\{slug\}$~D', $address) !== 1) {
            $own->wrong('address', 'an address that ends in /{slug}, such as /plots/{slug}', $address);
        }
        $named = [];
        foreach ($own->items('taxonomies') as $i => $one) {
            if (! is_string($one) || preg_match(Type::KEY, $one) !== 1) {
                $problems->add("x-wellspring.taxonomies[{$i}]", 'wrongValue', 'expected the key of a taxonomy, found '.Shape::describe($one).'.');
            } else {
                $named[$one] = $taxonomies[$one] ?? new Taxonomy($one, ucfirst(str_replace('_', ' ', $one)), false, new Terms);
            }
        }
        $own->noOthers();
        $fields = self::fields($file, $named, $problems);
        $file->noOthers();
        $problems->refuseIfAny();

        return new Type($key, $label, $plural, $address, $fields, $named);
    }

    /**
     * @param  array<string, Taxonomy>  $taxonomies
     * @return array<string, Field>
     */
    private static function fields(Shape $file, array $taxonomies, Problems $problems): array
    {
        $properties = $file->has('properties') ? $file->raw('properties') : [];
        if (! is_array($properties)) {
            $file->wrong('properties', 'an object with a field under each key', $properties);
            $properties = [];
        }
        $required = [];
        foreach ($file->items('required') as $i => $one) {
            if (! is_string($one) || ! array_key_exists($one, $properties)) {
                $problems->add("required[{$i}]", 'unknownField', 'expected the key of one of the properties, found '.Shape::describe($one).'.');
            } else {
                $required[] = $one;
            }
        }
        $fields = [];
        foreach ($properties as $key => $schema) {
            $key = (string) $key;
            $path = Path::to('properties', $key);
            if (preg_match(Field::KEY, $key) !== 1) {
                $problems->add($path, 'wrongKey', 'a field’s key is small letters, digits and _, beginning with a letter.');
            } elseif (isset(Type::itemFields()[$key]) || isset($taxonomies[$key]) || in_array($key, ['id', 'status', 'audience', 'author'], true)) {
                $problems->add($path, 'takenKey', 'this key is an item’s own or a taxonomy’s; expected another.');
            } else {
                $fields[$key] = self::field($key, new Shape($schema, $path, $problems), in_array($key, $required, true), $problems);
            }
        }

        return array_filter($fields);
    }

    private static function field(string $key, Shape $schema, bool $required, Problems $problems): ?Field
    {
        $label = $schema->text('title', ucfirst(str_replace('_', ' ', $key)));
        $help = $schema->has('description') ? $schema->text('description') : '';
        $own = new Shape($schema->raw('x-wellspring'), $schema->at('x-wellspring'), $problems);
        $kind = Kinds::find($own->oneOf('kind', array_keys(Kinds::all())));
        $unit = $own->has('unit') ? $own->text('unit') : '';
        $choices = self::choices($schema, $own, $kind, $problems);
        $limits = [];
        foreach (['minimum', 'maximum'] as $limit) {
            if ($schema->has($limit)) {
                $value = $schema->raw($limit);
                if (is_int($value) || is_float($value)) {
                    $limits[$limit] = $value;
                } else {
                    $schema->wrong($limit, 'a number', $value);
                }
            }
        }
        $maxLength = $schema->wholeOrNull('maxLength', 1, 100_000);
        $own->noOthers();
        foreach (['type', 'format', 'uniqueItems'] as $allowed) {
            $schema->has($allowed);
        }
        $schema->noOthers();
        if ($kind === null) {
            return null;
        }
        $field = new Field($key, $label, $kind, Origin::Type, $required, $choices, $unit, $limits['minimum'] ?? null, $limits['maximum'] ?? null, $maxLength, $help);
        $expected = $kind->schema($field);
        foreach (['type', 'format', 'uniqueItems'] as $word) {
            if ($schema->has($word) && $schema->raw($word) !== ($expected[$word] ?? null)) {
                $schema->wrong($word, isset($expected[$word]) ? (string) json_encode($expected[$word])." for the kind {$kind->key()}" : "no {$word} for the kind {$kind->key()}", $schema->raw($word));
            }
        }

        return $field;
    }

    /** @return array<array-key, string> */
    private static function choices(Shape $schema, Shape $own, ?Kind $kind, Problems $problems): array
    {
        $labels = $own->has('labels') ? $own->raw('labels') : [];
        $keys = match ($kind?->key()) {
            'choice' => $schema->items('enum'),
            'choices' => $schema->has('items') ? (new Shape($schema->raw('items'), $schema->at('items'), $problems))->items('enum') : [],
            default => null,
        };
        if ($keys === null) {
            return [];
        }
        if ($keys === []) {
            $schema->wrong('enum', 'a list of choices, at least one', null);
        }
        $choices = [];
        foreach ($keys as $i => $key) {
            if (! is_string($key) || $key === '') {
                $problems->add(Path::to($schema->at('enum'), $i), 'wrongValue', 'expected a choice’s key, found '.Shape::describe($key).'.');

                continue;
            }
            $label = is_array($labels) ? $labels[$key] ?? null : null;
            $choices[$key] = is_string($label) ? $label : ucfirst(str_replace('-', ' ', $key));
        }
        foreach (array_diff(array_keys(is_array($labels) ? $labels : []), array_keys($choices)) as $unknown) {
            $problems->add(Path::to($own->at('labels'), (string) $unknown), 'unknownKey', 'is not one of the choices.');
        }

        return $choices;
    }

    /** @return array<string, mixed> */
    public static function write(Type $type): array
    {
        $properties = [];
        foreach ($type->fields as $field) {
            $own = ['kind' => $field->kind->key()]
                + ($field->unit === '' ? [] : ['unit' => $field->unit])
                + ($field->choices === [] ? [] : ['labels' => $field->choices]);
            $properties[$field->key] = ['title' => $field->label]
                + ($field->help === '' ? [] : ['description' => $field->help])
                + $field->kind->schema($field)
                + ['x-wellspring' => $own];
        }
        $required = array_values(array_map(fn (Field $field): string => $field->key, array_filter($type->fields, fn (Field $field): bool => $field->required)));

        return [
            '$schema' => self::DRAFT,
            'title' => $type->label,
            'type' => 'object',
            'x-wellspring' => ['format' => 1, 'key' => $type->key, 'plural' => $type->plural, 'address' => $type->address, 'taxonomies' => array_map(strval(...), array_keys($type->taxonomies))],
            'properties' => $properties === [] ? (object) [] : $properties,
        ] + ($required === [] ? [] : ['required' => $required]);
    }
}
