<?php

declare(strict_types=1);

namespace App\Site;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Wording\Format;

/**
 * The structured data of an item's page, in the vocabulary of schema.org. The fields of its type decide the kind: with
 * `price` it is a Product with an Offer, with `starts` an Event; any other item with an author is an Article. Property
 * names are from memory.
 */
final readonly class StructuredItem
{
    public function __construct(private Format $format, private SiteSettings $settings)
    {
    }

    /**
     * @param  string  $site  its address, without a trailing slash
     * @return array<string, mixed>|null null where there is nothing that fits
     */
    public function of(PageResult $result, string $site): ?array
    {
        [$record, $type] = [$result->subject->record, $result->subject->type];
        if ($record === null || $type === null || $result->subject->page->item === null) {
            return null;
        }
        $own = match (true) {
            isset($type->fields['price']) => $this->product($record, $type),
            isset($type->fields['starts']) => $this->event($record, $type),
            $this->text($record, $type, 'author') !== null => $this->article($record, $type),
            default => null,
        };
        $picture = $result->subject->picture;

        return $own === null ? null : array_filter([
            '@context' => 'https://schema.org',
            ...$own,
            'url' => $site.$result->address->path,
            'description' => Subject::summary($result->subject->text),
            'image' => $picture === null ? null : $site.'/media/'.rawurlencode($picture),
        ], fn (mixed $value): bool => $value !== null && $value !== '');
    }

    /** @return array<string, mixed> */
    private function product(Record $record, Type $type): array
    {
        $number = fn (string $key): int|float|null => is_numeric($this->value($record, $type, $key))
            ? $this->value($record, $type, $key) + 0
            : null;
        [$price, $rating, $ratings] = [$number('price'), $number('rating'), $number('ratings')];

        return [
            '@type' => 'Product',
            'name' => $record->title,
            'sku' => $record->slug,
            'offers' => $price === null ? null : array_filter([
                '@type' => 'Offer', 'price' => $price, 'priceCurrency' => $this->settings->currency,
                'availability' => match (true) {
                    $number('stock') === null => null,
                    $number('stock') > 0 => 'https://schema.org/InStock',
                    $this->value($record, $type, 'to_order') === true => 'https://schema.org/BackOrder',
                    default => 'https://schema.org/OutOfStock',
                },
            ], fn (mixed $value): bool => $value !== null),
            'aggregateRating' => $rating === null || $ratings === null || $ratings < 1 ? null : [
                '@type' => 'AggregateRating', 'ratingValue' => $rating, 'reviewCount' => $ratings,
            ],
        ];
    }

    /** @return array<string, mixed>|null */
    private function event(Record $record, Type $type): ?array
    {
        $starts = $this->value($record, $type, 'starts');
        $place = $this->text($record, $type, 'place');
        $fee = $this->value($record, $type, 'fee');

        return ! is_string($starts) ? null : [
            '@type' => 'Event',
            'name' => $record->title,
            'startDate' => $starts,
            'endDate' => $this->value($record, $type, 'ends'),
            'location' => $place === null ? null : ['@type' => 'Place', 'name' => $place],
            'offers' => is_numeric($fee)
                ? ['@type' => 'Offer', 'price' => $fee + 0, 'priceCurrency' => $this->settings->currency]
                : null,
        ];
    }

    /** @return array<string, mixed> */
    private function article(Record $record, Type $type): array
    {
        return [
            '@type' => 'Article',
            'headline' => $record->title,
            'datePublished' => $this->value($record, $type, 'publish_at'),
            'dateModified' => $this->value($record, $type, 'updated_at'),
            'author' => ['@type' => 'Person', 'name' => $this->text($record, $type, 'author')],
        ];
    }

    private function value(Record $record, Type $type, string $key): mixed
    {
        $field = $type->field($key);

        return $field === null ? null : $record->value($field);
    }

    private function text(Record $record, Type $type, string $key): ?string
    {
        $field = $type->field($key);

        return $field?->display($record->value($field), $this->format, $record->names($field));
    }
}
