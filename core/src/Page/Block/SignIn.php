<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The sign-in form. It is empty for people who are signed in. */
final readonly class SignIn implements Block
{
    use Defaults;

    public static function key(): string
    {
        return 'signIn';
    }

    public static function label(): string
    {
        return 'Sign-in box';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self;
    }

    public function words(): string
    {
        return 'a sign-in box';
    }
}
