<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Option\Whole;

/** The options of a look besides its colours, in groups. */
final class LookOptions
{
    private const COLOURS = ['leaf' => 'Leaf', 'copper' => 'Copper', 'ink' => 'Ink'];

    /** @return array<string, list<Option>> by group */
    public static function all(): array
    {
        $styles = ['filled' => 'Filled', 'outlined' => 'Outlined', 'soft' => 'Soft'];

        return [
            'type' => [
                new OneOf('headings', 'Headings', Fonts::names(), 'newsreader'),
                new Whole('weight', 'Weight of headings', 550, 300, 800),
                new OneOf('text', 'Text', Fonts::names(), 'newsreader'),
                new OneOf('interface', 'Menus and buttons', Fonts::names(), 'instrument-sans'),
                new Whole('size', 'Text size', 17, 14, 22, 'px'),
                new Whole('lines', 'Lines', 160, 120, 200, '%'),
                new OneOf('steps', 'Steps between sizes', [
                    '1.125' => '1.125', '1.2' => '1.2', '1.25' => '1.25', '1.333' => '1.333', '1.414' => '1.414',
                ], '1.25'),
            ],
            'room' => [
                new OneOf('density', 'Room', ['tight' => 'Tight', 'even' => 'Even', 'roomy' => 'Roomy'], 'roomy'),
                new Whole('step', 'A step is', 8, 4, 12, 'px'),
                new Whole('measure', 'Widest text', 68, 45, 90, 'letters'),
                new Whole('page', 'Page', 1216, 800, 1600, 'px'),
            ],
            'shape' => [
                new Whole('corners', 'Corners', 6, 0, 32, 'px'),
                new Whole('pictures', 'Corners of pictures', 5, 0, 64, 'px'),
                new OneOf('border', 'Borders of pictures', [
                    'none' => 'None', 'line' => 'A line', 'strong' => 'A strong line',
                ], 'none'),
                new OneOf('card', 'Cards', ['plain' => 'Plain', 'framed' => 'Framed', 'filled' => 'Filled'], 'plain'),
                new OneOf('shadow', 'Shadows', ['none' => 'None', 'soft' => 'Soft', 'deep' => 'Deep'], 'none'),
            ],
            'choices' => [
                new OneOf('mark', 'Marks of choices', [
                    'square' => 'Squares', 'round' => 'Rounds', 'leaf' => 'Leaves',
                ], 'square'),
            ],
            'links' => [
                new OneOf('style', 'Links', [
                    'quiet' => 'Quietly underlined', 'underlined' => 'Underlined', 'coloured' => 'Coloured alone',
                ], 'quiet'),
            ],
            'buttons' => [
                new OneOf('style', 'Buttons', $styles, 'filled'),
                new OneOf('colour', 'In', self::COLOURS, 'leaf'),
                new Whole('corners', 'Corners', 5, 0, 32, 'px'),
            ],
            'badges' => [
                new OneOf('style', 'Badges', $styles, 'soft'),
                new OneOf('colour', 'In', self::COLOURS, 'copper'),
                new Whole('corners', 'Corners', 4, 0, 32, 'px'),
            ],
            'divider' => [
                new OneOf('shape', 'Between bands', [
                    'none' => 'Nothing', 'slope' => 'Slope', 'wave' => 'Wave', 'scallop' => 'Scallop', 'torn' => 'Torn',
                ], 'none'),
                new Whole('height', 'Height', 24, 8, 120, 'px'),
                new OneOf('side', 'On', ['top' => 'Top', 'bottom' => 'Bottom', 'both' => 'Both'], 'top'),
                new OneOf('colour', 'In the colour of', [
                    'band' => 'The band', 'leaf' => 'Leaf', 'copper' => 'Copper', 'ink' => 'Ink', 'line' => 'Line',
                ], 'band'),
                new Flag('flipped', 'Flipped'),
            ],
            'pointed' => [
                new OneOf('effect', 'Card pointed at', [
                    'nothing' => 'Nothing', 'tint' => 'Tint', 'lift' => 'Lift', 'enlarge' => 'Enlarge',
                ], 'enlarge'),
                new OneOf('tint', 'Tint of', self::COLOURS, 'leaf'),
                new Whole('strength', 'Strength', 60, 20, 80, '%'),
                new OneOf('mark', 'With', [
                    'none' => 'No mark', 'arrow' => 'An arrow', 'plus' => 'A plus', 'dot' => 'A dot',
                ], 'arrow'),
            ],
            'light' => [
                new OneOf('scheme', 'Light or dark', [
                    'light' => 'Light', 'dark' => 'Dark', 'visitor' => 'As the visitor’s device says',
                ], 'light'),
            ],
        ];
    }
}
