<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Frame;

use Wellspring\Core\Page\Place;
use Wellspring\Core\Page\PlacedBlock;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** Reads and validates the frame's definition, format 1. */
final class FrameReader
{
    public const FORMAT = 1;

    public const MAX_ENTRIES = 100;

    /**
     * @param  mixed  $data  decoded JSON
     *
     * @throws Refused with every fault, each at its path
     */
    public static function read(mixed $data): FrameDefinition
    {
        $problems = new Problems;
        $shape = new Shape($data, '', $problems, ['format', 'slots']);
        if ($shape->raw('format') !== self::FORMAT) {
            $shape->wrong('format', 'the format number '.self::FORMAT, $shape->raw('format'));
        }
        $said = $shape->raw('slots');
        $said = $said instanceof \stdClass ? (array) $said : $said;
        $given = new Shape($said, 'slots', $problems, array_column(FrameSlot::cases(), 'value'));
        $slots = [];
        foreach (FrameSlot::cases() as $slot) {
            $entries = $given->items($slot->value);
            if (count($entries) > self::MAX_ENTRIES) {
                $given->wrong($slot->value, 'at most '.self::MAX_ENTRIES, $entries);
            }
            $slots[$slot->value] = [];
            foreach (array_slice($entries, 0, self::MAX_ENTRIES) as $i => $entry) {
                $one = new Shape($entry, Path::to($given->at($slot->value), $i), $problems);
                [$placed, $place] = [PlacedBlock::read($one, $problems), Place::read($one, $problems)];
                if ($placed !== null) {
                    $slots[$slot->value][] = new FrameEntry($placed, $place);
                    $one->noOthers();
                }
            }
        }
        $given->noOthers();
        $shape->noOthers();
        $problems->refuseIfAny();

        return new FrameDefinition($slots);
    }
}
