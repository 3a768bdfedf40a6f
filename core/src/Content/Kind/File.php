<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;

/** A file for download, by its name on the site: `price-list.pdf`. */
final class File implements Kind
{
    use NoLimits;
    use SingleText;

    public function key(): string
    {
        return 'file';
    }

    public function family(): Family
    {
        return Family::File;
    }

    public function words(): string
    {
        return 'File';
    }

    public function limits(): array
    {
        return [];
    }

    public function read(mixed $value, Field $field): ?string
    {
        return $value === null || $value === '' ? null : Picture::name($value, 'a file, such as price-list.pdf');
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string'];
    }
}
