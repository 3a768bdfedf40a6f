<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;

/** What a part shows: a field of the record, where it shows one, and what its kind says beside. */
final readonly class PartContent
{
    /** @param  array<string, mixed>  $options  as a definition has them */
    public function __construct(public ?Field $field = null, public array $options = [])
    {
    }
}
