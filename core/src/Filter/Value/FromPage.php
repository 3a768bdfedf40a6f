<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;

/** A value from the page: its term, its item or a value of that item, its month, its person. */
final readonly class FromPage implements DynamicValue
{
    /**
     * @param  Field|null  $of  the field of the page's item; null for the item itself, and for a term, month or person
     */
    public function __construct(public SubjectPart $take, public ?Field $of = null)
    {
    }

    public function take(Field $field, Context $context): mixed
    {
        $page = $context->page;
        $item = $context->pageItem();

        return match ($this->take) {
            SubjectPart::Term => $this->terms($field, $context),
            SubjectPart::Item => match (true) {
                $item === null => null,
                $this->of !== null => self::fitted($item->value($this->of), $field),
                $field->family() === Family::Items => [$item->name()],
                default => null,
            },
            SubjectPart::Month => $page->month,
            SubjectPart::Person => $page->person === null ? null : [$page->person],
        };
    }

    /** The page's own term; on an item's page, the item's terms. */
    private function terms(Field $field, Context $context): mixed
    {
        $taxonomy = $field->taxonomy?->key;
        $term = $context->page->term;
        if ($term !== null) {
            return $term['taxonomy'] === $taxonomy ? [$term['slug']] : null;
        }
        $item = $context->pageItem();

        return $item !== null && $taxonomy !== null ? $item->terms($taxonomy) ?: null : null;
    }

    /** One value if the field's tests take one, otherwise a list. */
    private static function fitted(mixed $value, Field $field): mixed
    {
        return match ($field->family()) {
            Family::Choice, Family::Choices, Family::Terms, Family::Items, Family::Person => $value === null
                ? null
                : (array) $value,
            default => is_array($value) ? null : $value,
        };
    }

    public function references(string $at): array
    {
        return $this->of === null ? [] : [Reference::toFieldOfPage("{$at}.of", $this->of)];
    }

    public function whenMissing(): WhenMissing
    {
        return WhenMissing::KeepNone;
    }

    public function words(Field $field): string
    {
        return match ($this->take) {
            SubjectPart::Term => 'the page’s term',
            SubjectPart::Item => $this->of === null ? 'the item being shown' : 'that of the item being shown',
            SubjectPart::Month => 'the page’s month',
            SubjectPart::Person => 'the page’s person',
        };
    }

    public function toArray(): array
    {
        return ['from' => 'page', 'take' => $this->take->value] + ($this->of === null ? [] : ['of' => $this->of->key]);
    }
}
