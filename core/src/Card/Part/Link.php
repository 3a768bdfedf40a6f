<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\PartKind;

/** A link to the record’s page, or to an address made of its values. */
final class Link implements PartKind
{
    use LeadsSomewhere;

    public function key(): string
    {
        return 'link';
    }

    public function label(): string
    {
        return 'Link';
    }
}
