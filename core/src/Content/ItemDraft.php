<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Who\Audience;

/** An item, read and validated, before it has an id. Absent values are null or missing, never empty. */
final readonly class ItemDraft
{
    /**
     * @param  string|null  $slug  null: to be made from the title
     * @param  string|null  $publishAt  instant; null: not given
     * @param  string|null  $author  e-mail of one of the site's people
     * @param  string|null  $text  HTML
     * @param  array<string, mixed>  $fields  by key, without empty values
     * @param  array<string, list<string>>  $terms  slugs by taxonomy
     */
    public function __construct(
        public ?string $slug,
        public string $title,
        public Status $status,
        public ?string $publishAt,
        public ?string $expireAt,
        public Audience $audience,
        public bool $lead,
        public ?string $author,
        public ?string $text,
        public array $fields,
        public array $terms,
    ) {
    }

    /**
     * The same as values by column, in the form that ItemReader takes, without empty values.
     *
     * @return array<string, mixed>
     */
    public function values(): array
    {
        return array_filter([
            'slug' => $this->slug,
            'title' => $this->title,
            'status' => $this->status->value,
            'publish_at' => $this->publishAt,
            'expire_at' => $this->expireAt,
            'audience' => $this->audience->keys,
            'author' => $this->author,
            'lead' => $this->lead,
            'text' => $this->text,
        ] + $this->fields + $this->terms, fn (mixed $value): bool => $value !== null && $value !== []);
    }

    /** @param  string  $author  e-mail */
    public function by(string $author): self
    {
        return new self(
            $this->slug,
            $this->title,
            $this->status,
            $this->publishAt,
            $this->expireAt,
            $this->audience,
            $this->lead,
            $author,
            $this->text,
            $this->fields,
            $this->terms,
        );
    }

    /** @param  array<string, mixed>  $fields */
    public function withTexts(?string $text, array $fields): self
    {
        return new self(
            $this->slug,
            $this->title,
            $this->status,
            $this->publishAt,
            $this->expireAt,
            $this->audience,
            $this->lead,
            $this->author,
            $text,
            $fields,
            $this->terms,
        );
    }

    /** @param  array<string, mixed>  $fields */
    public function with(string $slug, ?string $publishAt, ?string $text, array $fields): self
    {
        return new self(
            $slug,
            $this->title,
            $this->status,
            $publishAt,
            $this->expireAt,
            $this->audience,
            $this->lead,
            $this->author,
            $text,
            $fields,
            $this->terms,
        );
    }
}
