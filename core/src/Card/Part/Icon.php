<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Option\OneOf;

/** A small decorative icon. Screen readers skip it. */
final class Icon implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'icon';
    }

    public function label(): string
    {
        return 'Icon';
    }

    /** The names of the icons in resources/icons. */
    public const NAMES = [
        'arrow-right' => 'Arrow', 'calendar' => 'Calendar', 'clock' => 'Clock', 'map-pin' => 'Place',
        'leaf' => 'Leaf', 'flower' => 'Flower', 'sun' => 'Sun', 'droplet' => 'Drop', 'ruler' => 'Ruler',
        'tag' => 'Tag', 'user' => 'Person', 'users' => 'People', 'phone' => 'Telephone', 'mail' => 'Letter',
        'heart' => 'Heart', 'star' => 'Star', 'check' => 'Tick', 'info' => 'Information', 'truck' => 'Lorry',
        'shopping-bag' => 'Bag', 'book-open' => 'Book', 'camera' => 'Camera', 'eye' => 'Eye', 'snowflake' => 'Snow',
    ];

    public function options(): array
    {
        return [new OneOf('icon', 'Icon', self::NAMES, 'arrow-right')];
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        return PartValue::text($part->option('icon'));
    }
}
