<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\FieldKey;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartPiece;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Video\VideoOptions;

/** A video that plays inside the page: an uploaded file, a file elsewhere, or a video of a video site. */
final class Video implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'video';
    }

    public function label(): string
    {
        return 'Video';
    }

    public function options(): array
    {
        return [new FieldKey([Family::Video]), ...VideoOptions::all()];
    }

    public function offers(Type $type): array
    {
        return array_map(
            fn (Field $field): array => [
                'label' => $field->label, 'part' => ['part' => $this->key(), 'field' => $field->key],
            ],
            array_values(array_filter($type->reachable, self::suits(...))),
        );
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $field = $fields->named($shape, 'field', self::suits(...), 'a video');

        return $field === null ? null : new PartContent(OptionValues::read($this->options(), $shape), $field);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $video = $part->fieldValue($record);

        return is_string($video) ? PartValue::pieces([new PartPiece($video, 'video')]) : null;
    }

    public function presence(Part $part): Presence
    {
        return $part->field === null ? Presence::never() : Presence::filled($part->field);
    }

    private static function suits(Field $field): bool
    {
        return $field->family() === Family::Video;
    }
}
