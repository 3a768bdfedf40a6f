<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/**
 * The widths of a band's slots in a window, computed like browsers do from resources/css/site/bands.css. Slots share
 * the width of their row. No slot is narrower than its minimum width. A slot that does not fit goes to the next row.
 * All lengths are in px, with a root font size of 16 px.
 */
final class SlotWidths
{
    /** The page's margins at the left and right. */
    private const MARGIN = 20;

    private const GAP = 40;

    private const LEAST = 224;

    /** The body and the frame's side slot: their minimum widths, and their shares of the remaining width. */
    private const BODY_LEAST = 512;

    private const BODY_SHARE = 0.75;

    /**
     * The width of a page's body.
     *
     * @param  int  $page  maximum width of the page in the look
     */
    public static function body(int $window, int $page, bool $hasSide = false): float
    {
        $room = self::room($window, $page);
        $beyond = $room - self::GAP - self::BODY_LEAST - self::LEAST;

        return $hasSide && $beyond >= 0 ? self::BODY_LEAST + self::BODY_SHARE * $beyond : $room;
    }

    /** The width of the frame's side slot. */
    public static function side(int $window, int $page): float
    {
        $room = self::room($window, $page);
        $body = self::body($window, $page, hasSide: true);

        return $body < $room ? $room - self::GAP - $body : $room;
    }

    /**
     * @param  float  $room  width of the band
     * @param  list<int>  $shares  of its slots, in twelfths
     * @return list<float> widths of the slots, in the same order
     */
    public static function of(float $room, array $shares): array
    {
        $least = min($room, self::LEAST);
        $widths = $row = [];
        $used = 0.0;
        foreach ($shares as $share) {
            $more = $least + ($row === [] ? 0 : self::GAP);
            if ($row !== [] && $used + $more > $room) {
                array_push($widths, ...self::row($room, $row, $least));
                [$row, $used, $more] = [[], 0.0, $least];
            }
            $row[] = $share;
            $used += $more;
        }

        return [...$widths, ...self::row($room, $row, $least)];
    }

    private static function room(int $window, int $page): float
    {
        return (float) min($page, $window - 2 * self::MARGIN);
    }

    /**
     * Distributes a row's width. Slots that would become too narrow get their minimum width first; the others share the
     * rest.
     *
     * @param  list<int>  $shares
     * @return list<float>
     */
    private static function row(float $room, array $shares, float $least): array
    {
        $free = $room - self::GAP * max(0, count($shares) - 1);
        $fixed = [];
        do {
            $rest = $free - $least * count($fixed);
            $sum = array_sum(array_diff_key($shares, $fixed));
            $narrow = array_filter(
                array_diff_key($shares, $fixed),
                fn (int $share): bool => $rest * $share / $sum < $least,
            );
            $fixed += $narrow;
        } while ($narrow !== [] && count($fixed) < count($shares));

        return array_map(
            fn (int $share, int $n): float => isset($fixed[$n]) ? $least : $rest * $share / max(1, $sum),
            $shares,
            array_keys($shares),
        );
    }
}
