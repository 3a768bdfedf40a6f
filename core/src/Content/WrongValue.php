<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Problem\Shape;

/** A value that its field does not accept; the message names the expected and the found value. */
final class WrongValue extends \DomainException
{
    public static function expected(string $expected, mixed $found): self
    {
        return new self("expected {$expected}, found ".Shape::describe($found).'.');
    }
}
