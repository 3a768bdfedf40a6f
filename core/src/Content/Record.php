<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Text\Html;
use Wellspring\Core\Who\Audience;

/** One record as the rules see it: plain values without empty ones. */
final readonly class Record
{
    /** @var array<string, mixed> */
    private array $values;

    /**
     * @param  array<string, mixed>  $values  by field key: text as string, numbers as int|float, yes/no as bool,
     *   choice as its key, choices and terms as lists of keys or slugs, dates `Y-m-d`, instants `Y-m-d\TH:i:s\Z`, HTML
     *   as string
     * @param  string|null  $publishAt  instant
     * @param  string|null  $expireAt  instant
     * @param  array<string, list<self>>  $linked  the items and people that its fields link to, by field, visible or
     *   not
     * @param  array<string, array<string, string>>  $words  the searched words, as Sought::weight() takes them
     * @param  array<string, int>  $viewsByDay  by day, `Y-m-d`
     * @param  array<string, int>  $places  positions by hand: within its type under '', within a term under
     *   `taxonomy/slug`
     * @param  string|null  $start  the occurrence's start as an instant, if the record can appear more than once
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
        private array $linked = [],
        public array $words = [],
        public array $viewsByDay = [],
        private array $places = [],
        public ?string $start = null,
    ) {
        $all = [
            'id' => $id,
            'title' => $title,
            'slug' => $slug,
            'publish_at' => $publishAt,
            'expire_at' => $expireAt,
        ] + $values + ['views' => array_sum($viewsByDay)];
        $this->values = array_filter($all, fn (mixed $value): bool => ! Blank::is($value));
    }

    public function key(): RecordKey
    {
        return new RecordKey($this->type, $this->id, $this->start);
    }

    /** @param  array<string, mixed>  $values  its properties besides its fields */
    public function with(array $values): self
    {
        return $this->copy(values: $values + $this->values);
    }

    /** @param  string|null  $start  the start of the occurrence as an instant; null: the record itself */
    public function startingAt(?string $start): self
    {
        return $start === null ? $this : $this->copy(start: $start);
    }

    /**
     * Adds what rules can read besides its values; see the constructor.
     *
     * @param  array<string, array<string, string>>  $words
     * @param  array<string, int>  $viewsByDay
     * @param  array<string, int>  $places
     */
    public function withRelations(array $words, array $viewsByDay, array $places): self
    {
        return $this->copy(array_diff_key($this->values, ['views' => 0]), null, $words, $viewsByDay, $places);
    }

    /** The value, or null if it is empty. */
    public function value(Field $field): mixed
    {
        $value = $this->values[$field->ownKey()] ?? null;
        if ($value !== null && $field->family() === Family::LongText && is_string($value) && Blank::isHtml($value)) {
            return null;
        }

        return $value;
    }

    /** @return list<string> slugs of its terms of the taxonomy */
    public function terms(string $taxonomy): array
    {
        $terms = $this->values[$taxonomy] ?? [];

        return is_array($terms) ? array_values(array_filter($terms, is_string(...))) : [];
    }

    /**
     * The record as the viewer sees it: links to records that the viewer may not see are removed.
     */
    public function seenThrough(Visibility $visibility): self
    {
        $values = $this->values;
        $linked = [];
        foreach ($this->linked as $field => $others) {
            $linked[$field] = array_values(array_filter($others, $visibility->admits(...)));
            $seen = array_map(fn (self $other): string => $other->name(), $linked[$field]);
            $named = $values[$field] ?? null;
            $values[$field] = is_array($named)
                ? array_values(array_intersect($named, $seen))
                : (in_array($named, $seen, true) ? $named : null);
        }

        return $this->copy($values, $linked);
    }

    /** @return list<self> what the field links to */
    public function reached(Field $link): array
    {
        return $this->linked[$link->key] ?? [];
    }

    /** The name that other records' fields use: a person by e-mail, an item as `type/slug`. */
    public function name(): string
    {
        return $this->email() === '' ? "{$this->type}/{$this->slug}" : $this->email();
    }

    /** A person's e-mail address, which fields use as name. It is not a field, so visitors never see it. */
    public function email(): string
    {
        $email = $this->values['email'] ?? '';

        return is_string($email) ? $email : '';
    }

    /** @param  string  $term `taxonomy/slug`, or '' for its position within its type */
    public function place(string $term = ''): ?int
    {
        return $this->places[$term] ?? null;
    }

    /** @return array<string, string> how what the field links to is called, by the value that names it */
    public function names(Field $field): array
    {
        $names = [];
        foreach ($this->linked[$field->key] ?? [] as $other) {
            $names[$other->name()] = $other->title;
        }

        return $names;
    }

    /** The visible text of a field; empty if there is none. */
    public function visibleText(Field $field): string
    {
        $value = $this->value($field);

        return is_string($value) ? Html::visibleText($value) : '';
    }

    /**
     * The same with the given values replaced.
     *
     * @param  array<string, mixed>|null  $values
     * @param  array<string, list<self>>|null  $linked
     * @param  array<string, array<string, string>>|null  $words
     * @param  array<string, int>|null  $viewsByDay
     * @param  array<string, int>|null  $places
     */
    private function copy(
        ?array $values = null,
        ?array $linked = null,
        ?array $words = null,
        ?array $viewsByDay = null,
        ?array $places = null,
        ?string $start = null,
    ): self {
        return new self(
            $this->id,
            $this->type,
            $this->slug,
            $this->title,
            $this->status,
            $this->publishAt,
            $this->expireAt,
            $this->audience,
            $values ?? $this->values,
            $linked ?? $this->linked,
            $words ?? $this->words,
            $viewsByDay ?? $this->viewsByDay,
            $places ?? $this->places,
            $start ?? $this->start,
        );
    }
}
