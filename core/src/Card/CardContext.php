<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Wording\Format;

/** What a card takes from outside: when and for whom it is made, and how the site writes values. */
final readonly class CardContext
{
    public function __construct(public Context $context, public Format $format)
    {
    }
}
