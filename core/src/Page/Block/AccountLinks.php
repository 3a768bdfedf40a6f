<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Links to sign in and sign up; for signed-in people, a link to their account. */
final readonly class AccountLinks implements Block
{
    use Defaults;

    public static function key(): string
    {
        return 'accountLinks';
    }

    public static function label(): string
    {
        return 'Account links';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self;
    }

    public function words(): string
    {
        return 'account links';
    }
}
