<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Who\Audience;

/** Reads one item of a type, from JSON values or from table cells, and reports all faults at once. */
final readonly class ItemReader
{
    private const OWN = ['slug', 'title', 'status', 'publish_at', 'expire_at', 'audience', 'author', 'lead', 'text'];

    public function __construct(private Type $type)
    {
    }

    /** @return list<string> the columns that an import may have */
    public function columns(): array
    {
        return [...self::OWN, ...array_keys($this->type->fields), ...array_keys($this->type->taxonomies)];
    }

    /**
     * @param  array<string, mixed>  $values  JSON values by column
     * @param  array<string, mixed>|null  $standing  the item's current values, for columns that are not given; null for
     *   a new item, which starts with the defaults
     *
     * @throws Refused with a column's name as each problem's path
     */
    public function fromValues(array $values, ?array $standing = null): ItemDraft
    {
        return $this->read(
            $values,
            $standing,
            fn (Field $field, mixed $value): mixed => $field->kind->read($value, $field),
        );
    }

    /**
     * @param  array<string, string>  $cells  text by column
     * @param  array<string, mixed>|null  $standing  the item's current values, for columns that are not given; null for
     *   a new item, which starts with the defaults
     *
     * @throws Refused with a column's name as each problem's path
     */
    public function fromCells(array $cells, ?array $standing = null): ItemDraft
    {
        return $this->read($cells, $standing, function (Field $field, mixed $cell): mixed {
            $cell = is_string($cell) ? $cell : '';
            if (! mb_check_encoding($cell, 'UTF-8')) {
                throw new WrongValue('expected text in UTF-8; these bytes are not.');
            }

            return $field->kind->readCell($cell, $field);
        });
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, mixed>|null  $standing
     * @param  \Closure(Field, mixed): mixed  $readWith
     */
    private function read(array $values, ?array $standing, \Closure $readWith): ItemDraft
    {
        $problems = new Problems;
        foreach (array_diff(array_map(strval(...), array_keys($values)), $this->columns()) as $unknown) {
            $problems->add(
                $unknown,
                ProblemCode::UnknownColumn,
                "is not a column of {$this->type->key}; expected one of: ".implode(', ', $this->columns()).'.',
            );
        }
        $read = $standing ?? $this->type->defaults();
        foreach ($values as $key => $value) {
            $field = $this->field((string) $key);
            try {
                $read[$key] = $field === null ? null : $readWith($field, $value);
            } catch (WrongValue $wrong) {
                $problems->add(
                    (string) $key,
                    ProblemCode::WrongValue,
                    $wrong->getMessage(),
                    ['found' => Shape::describe($value)],
                );
            }
        }
        foreach ([Type::itemFields()['title'], ...$this->type->fields] as $field) {
            if (
                $field->required
                && ($read[$field->key] ?? null) === null
                && ! $this->hasProblemAt($problems, $field->key)
            ) {
                $problems->add(
                    $field->key,
                    ProblemCode::Missing,
                    "is missing; every {$this->type->label} must have one.",
                );
            }
        }
        $slug = is_string($read['slug'] ?? null) ? $read['slug'] : null;
        if ($slug !== null && ! Slug::isOne($slug)) {
            $problems->add(
                'slug',
                ProblemCode::WrongValue,
                'expected small letters, digits and single hyphens, at most '.Slug::MAX.', found '
                    .Shape::describe($slug).'.',
            );
        }
        $publishAt = is_string($read['publish_at'] ?? null) ? $read['publish_at'] : null;
        $expireAt = is_string($read['expire_at'] ?? null) ? $read['expire_at'] : null;
        if ($publishAt !== null && $expireAt !== null && $expireAt <= $publishAt) {
            $problems->add(
                'expire_at',
                ProblemCode::WrongValue,
                "expected a moment after publish_at ({$publishAt}), found {$expireAt}.",
            );
        }
        Ranges::check($this->type->fields, $read, $problems, fn (string $key): string => $key);
        $problems->refuseIfAny();

        return $this->asItStands($read);
    }

    /** @return array<string, Field> what every item has and no rule names by itself */
    public static function choiceFields(): array
    {
        static $fields = null;

        return $fields ??= [
            'status' => new Field(
                'status',
                'State',
                new Kind\Choice,
                Origin::Item,
                choices: ['draft' => 'Draft', 'published' => 'Published'],
            ),
            'audience' => new Field('audience', 'Audience', new Kind\AudienceKeys, Origin::Item, choices: [
                Audience::EVERYONE => 'Everyone',
                Audience::SIGNED_OUT => 'Signed-out visitors',
                Audience::MEMBERS => 'Members',
            ]),
            'author' => new Field('author', 'Author', new Kind\Person, Origin::Item),
        ];
    }

    /**
     * The current values without validation.
     *
     * @param  array<string, mixed>  $values  by column, as their kinds read them
     */
    public function asItStands(array $values): ItemDraft
    {
        $text = fn (string $key): ?string => is_string($values[$key] ?? null) ? $values[$key] : null;

        return new ItemDraft(
            slug: $text('slug'),
            title: $text('title') ?? '',
            status: Status::from($text('status') ?? Status::Published->value),
            publishAt: $text('publish_at'),
            expireAt: $text('expire_at'),
            audience: Audience::of(array_values(array_filter((array) ($values['audience'] ?? []), is_string(...)))),
            lead: ($values['lead'] ?? null) === true,
            author: $text('author'),
            text: $text('text'),
            fields: array_filter(
                array_intersect_key($values, $this->type->fields),
                fn (mixed $value): bool => $value !== null,
            ),
            terms: array_map(
                fn (mixed $slugs): array => array_values(array_filter((array) $slugs, is_string(...))),
                array_intersect_key($values, $this->type->taxonomies),
            ),
        );
    }

    /** The field of a column; null if there is no such column. */
    public function field(string $key): ?Field
    {
        return self::choiceFields()[$key] ?? (in_array($key, $this->columns(), true) ? $this->type->field($key) : null);
    }

    private function hasProblemAt(Problems $problems, string $path): bool
    {
        foreach ($problems->all() as $problem) {
            if ($problem->path === $path) {
                return true;
            }
        }

        return false;
    }
}
