<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Wording\Format;

/** The context of a card: the instant, the viewer, and how the site writes values. */
final readonly class CardContext
{
    public function __construct(public Context $context, public Format $format)
    {
    }
}
