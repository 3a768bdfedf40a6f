<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/**
 * The colours on a ground. They have the same roles as the look's own, so the same rules draw a text, a mark or a
 * control everywhere, with enough contrast.
 */
final class GroundPalette
{
    /** The grounds with colours of their own. Paper has the look's colours. */
    public const GROUNDS = ['bed', 'ink', 'leaf', 'copper', 'picture'];

    /** The difference between a coloured ground and the quiet ground on it. */
    private const BED = 0.14;

    private const LINE = 0.34;

    /** How much quiet text differs from text. The difference is smaller if the contrast would be too low. */
    private const QUIET = 0.28;

    private const STEP = 0.02;

    /** @param  value-of<self::GROUNDS>  $ground */
    public static function of(Palette $palette, string $ground): Palette
    {
        return match ($ground) {
            'bed' => $palette->with([Role::Bed->value => $palette->of(Role::Paper)]),
            'picture' => self::onPicture($palette),
            default => self::onColour($palette, $palette->of(Role::from($ground))),
        };
    }

    /**
     * The colour of a ground.
     *
     * @param  'paper'|value-of<self::GROUNDS>  $ground
     * @return Colour of a picture: a white one under its veil, where white text is hardest to read
     */
    public static function colour(Palette $palette, string $ground): Colour
    {
        return $ground === 'picture'
            ? Colour::white()->mixed(Colour::black(), Contrasts::veil())
            : $palette->of(Role::from($ground));
    }

    private static function onColour(Palette $palette, Colour $ground): Palette
    {
        $ink = $palette->textOn($ground);
        $away = $ink->luminance() > $ground->luminance() ? Colour::black() : Colour::white();
        $bed = $ground->mixed($away, self::BED);

        return $palette->with([
            Role::Paper->value => $ground,
            Role::Bed->value => $bed,
            Role::Ink->value => $ink,
            Role::Quiet->value => self::quiet($ink, $ground),
            Role::Leaf->value => self::readable($palette->of(Role::Leaf), $ink, $ground, $bed),
            Role::Copper->value => self::readable($palette->of(Role::Copper), $ink, $ground, $bed),
            Role::Line->value => $ground->mixed($ink, self::LINE),
        ]);
    }

    /** The picture is unknown, and only white is readable on every one: texts are white, boxes are dark. */
    private static function onPicture(Palette $palette): Palette
    {
        $texts = [Role::Ink, Role::Quiet, Role::Leaf, Role::Copper, Role::Line];

        return $palette->with([
            Role::Paper->value => Colour::black()->mixed(Colour::white(), 0.1),
            Role::Bed->value => Colour::black()->mixed(Colour::white(), 0.18),
            ...array_fill_keys(array_map(fn (Role $role): string => $role->value, $texts), Colour::white()),
        ]);
    }

    private static function quiet(Colour $ink, Colour $ground): Colour
    {
        for ($share = self::QUIET; $share > 0; $share -= self::STEP) {
            $quiet = $ink->mixed($ground, $share);
            if ($quiet->contrast($ground) >= Colour::AA) {
                return $quiet;
            }
        }

        return $ink;
    }

    /** The colour, lightened or darkened as needed; the text colour if no shade has enough contrast. */
    private static function readable(Colour $colour, Colour $ink, Colour $ground, Colour $bed): Colour
    {
        $near = $colour->nearestOn($ground, Colour::AA);

        return $near !== null && $near->contrast($bed) >= Colour::AA ? $near : $ink;
    }
}
