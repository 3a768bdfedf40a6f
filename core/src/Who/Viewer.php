<?php

declare(strict_types=1);

namespace Wellspring\Core\Who;

/** Who looks: the audience they belong to and, where they have signed in, who they are. */
final readonly class Viewer
{
    /** @param  string|null  $person e-mail */
    public function __construct(public Audience $audience = Audience::SignedOut, public ?string $person = null)
    {
    }
}
