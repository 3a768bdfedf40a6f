<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;

/** A video: the address of one elsewhere, or the name of an uploaded file. */
final class Video implements Kind
{
    use NoLimits;
    use SingleText;

    public function key(): string
    {
        return 'video';
    }

    public function family(): Family
    {
        return Family::Video;
    }

    public function words(): string
    {
        return 'Video';
    }

    public function limits(): array
    {
        return [];
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null || $value === '') {
            return null;
        }
        if (is_string($value) && preg_match('~^https?://~i', $value) === 1) {
            return Link::address($value);
        }

        return Picture::name(
            $value,
            'an uploaded video, such as planting.mp4, or an address that begins with https://',
        );
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string'];
    }
}
