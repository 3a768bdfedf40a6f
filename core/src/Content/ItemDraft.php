<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Who\Audience;

/** An item as it was read and found right, before it has an id. Nothing in it is empty but what is null or absent. */
final readonly class ItemDraft
{
    /**
     * @param  string|null  $slug  null: to be made from the title
     * @param  string|null  $publishAt  instant; null: not said
     * @param  string|null  $text  HTML
     * @param  array<string, mixed>  $fields  by key; an empty value is absent
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
        public ?string $text,
        public array $fields,
        public array $terms,
    ) {
    }
}
