<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The form to sign in with; for those who are signed in there is nothing to show. */
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
