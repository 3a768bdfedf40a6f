<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Problem\Shape;

/** A value that its field does not take; the message says what was expected and what was found. */
final class WrongValue extends \DomainException
{
    public static function expected(string $expected, mixed $found): self
    {
        return new self("expected {$expected}, found ".Shape::describe($found).'.');
    }
}
