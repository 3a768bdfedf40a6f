<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\PartKind;

/** A button to the record’s page, or to an address made of its values. */
final class Button implements PartKind
{
    use LeadsSomewhere;

    public function key(): string
    {
        return 'button';
    }

    public function label(): string
    {
        return 'Button';
    }
}
