<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Text\Html;
use Wellspring\Core\Who\Audience;

/** One item as the rules see it: plain values, none of them empty. */
final readonly class Record
{
    /** @var array<string, mixed> */
    private array $values;

    /**
     * @param  array<string, mixed>  $values  by field key: text as string, numbers as int|float, yes/no as bool, choice as its key,
     *                                        choices and terms as lists of keys or slugs, dates `Y-m-d`, instants `Y-m-d\TH:i:s\Z`, HTML as string
     * @param  array<string, array<string, string>>  $names  how linked items and people are called, by field and value
     * @param  string|null  $publishAt  instant
     * @param  string|null  $expireAt  instant
     */
    public function __construct(
        public int $id,
        public string $type,
        public string $slug,
        public string $title,
        public Status $status,
        public ?string $publishAt,
        public ?string $expireAt,
        public Audience $audience,
        array $values,
        private array $names = [],
    ) {
        $all = ['title' => $title, 'slug' => $slug, 'publish_at' => $publishAt, 'expire_at' => $expireAt] + $values;
        $this->values = array_filter($all, fn (mixed $value): bool => ! Blank::is($value));
    }

    /** The value, or null where it is empty. */
    public function value(Field $field): mixed
    {
        $value = $this->values[$field->key] ?? null;
        if ($value !== null && $field->family() === Family::LongText && is_string($value) && Blank::isHtml($value)) {
            return null;
        }

        return $value;
    }

    /** @return array<string, string> how what the field links to is called, by the value that names it */
    public function names(Field $field): array
    {
        return $this->names[$field->key] ?? [];
    }

    /** The text of a field without markup; empty where there is none. */
    public function visibleText(Field $field): string
    {
        $value = $this->value($field);

        return is_string($value) ? Html::visibleText($value) : '';
    }
}
