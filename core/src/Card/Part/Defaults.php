<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Problem\Shape;

/** Default answers of part kinds. */
trait Defaults
{
    public function options(): array
    {
        return [];
    }

    public function offers(Type $type): array
    {
        return [['label' => $this->label(), 'part' => ['part' => $this->key()]]];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        return new PartContent(OptionValues::read($this->options(), $shape));
    }

    public function presence(Part $part): Presence
    {
        return $part->field === null ? Presence::always() : Presence::filled($part->field);
    }

    public function fields(Part $part): array
    {
        return $part->others();
    }

    public function conditions(Part $part): array
    {
        return [];
    }

    public function changesDaily(Part $part): bool
    {
        return false;
    }

    public function canBeFilledIn(): bool
    {
        return true;
    }

    public function showsPicture(): bool
    {
        return false;
    }

    public function words(Part $part): string
    {
        return lcfirst($this->label());
    }

    public function references(Part $part, string $at, array $types): array
    {
        return $part->field === null || $part->option('field') === ''
            ? []
            : [Reference::toField("{$at}.field", $part->field, $types)];
    }
}
