<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Look\Colour;
use Wellspring\Core\Look\Contrasts;
use Wellspring\Core\Look\Departure;
use Wellspring\Core\Look\DepartureSheet;
use Wellspring\Core\Look\DesignTokens;
use Wellspring\Core\Look\Divider;
use Wellspring\Core\Look\GroundPalette;
use Wellspring\Core\Look\Look;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Look\LookVariables;
use Wellspring\Core\Look\Role;
use Wellspring\Core\Look\ShippedLooks;
use Wellspring\Core\Option\OptionGroup;
use Wellspring\Core\Problem\Refused;

/** How a site looks: colours measured, looks read, design tokens, what CSS is given. */
final class LookTest extends TestCase
{
    /**
     * Ratios that are published for pairs: black on white and #777777 in W3C's “Understanding SC 1.4.3”, the others as
     * checkers give them everywhere; all from memory.
     *
     * @return iterable<string, array{string, string, float}>
     */
    public static function pairs(): iterable
    {
        yield 'black on white' => ['#000000', '#ffffff', 21.0];
        yield 'white on white' => ['#ffffff', '#ffffff', 1.0];
        yield 'just below AA' => ['#777777', '#ffffff', 4.47];
        yield 'just above AA' => ['#767676', '#ffffff', 4.54];
        yield 'blue on white' => ['#0000ff', '#ffffff', 8.59];
        yield 'red on white' => ['#ff0000', '#ffffff', 3.99];
        yield 'green on white' => ['#008000', '#ffffff', 5.13];
        yield 'just above AAA' => ['#595959', '#ffffff', 7.0];
    }

    #[DataProvider('pairs')]
    public function test_contrast_is_that_of_wcag(string $one, string $other, float $ratio): void
    {
        $found = Colour::of($one)->contrast(Colour::of($other));
        $this->assertSame($ratio, floor($found * 100) / 100);
        $this->assertSame($found, Colour::of($other)->contrast(Colour::of($one)));
    }

    public function test_the_nearest_colour_that_passes_passes_and_no_nearer_one_does(): void
    {
        foreach ([['#a3481f', '#a0a0a0'], ['#9fcfae', '#fdfcf7'], ['#56655f', '#20302c']] as [$text, $ground]) {
            [$text, $ground] = [Colour::of($text), Colour::of($ground)];
            $this->assertLessThan(Colour::AA, $text->contrast($ground));
            $near = $text->nearestOn($ground, Colour::AA);
            $this->assertNotNull($near);
            $this->assertGreaterThanOrEqual(Colour::AA, $near->contrast($ground));
            foreach ([Colour::black(), Colour::white()] as $towards) {
                for ($step = 1; $step < 255; $step++) {
                    $made = $text->mixed($towards, $step / 255);
                    if ($made->contrast($ground) >= Colour::AA) {
                        $this->assertGreaterThanOrEqual(self::distance($text, $near), self::distance($text, $made));
                    }
                }
            }
        }
        $grey = Colour::of('#757575');
        $this->assertNull($grey->nearestOn($grey, 7.0), 'on a middle grey neither black nor white reaches AAA');
        $veiled = Colour::white()->mixed(Colour::black(), Contrasts::veil());
        $this->assertGreaterThanOrEqual(Colour::AA, Colour::white()->contrast($veiled));
    }

    public function test_every_look_that_ships_passes_on_every_ground_and_is_read_as_it_is_written(): void
    {
        $this->assertGreaterThanOrEqual(3, count(ShippedLooks::all()));
        foreach (ShippedLooks::all() as $look) {
            foreach (array_filter([$look->colours, $look->dark]) as $palette) {
                foreach (Contrasts::of($look, $palette) as $pair) {
                    $this->assertNotSame('fails', $pair['level'], "{$look->key}: {$pair['text']} on {$pair['ground']}");
                }
                $variables = LookVariables::colours($look, $palette);
                foreach (['button', 'tag'] as $what) {
                    $ratio = Colour::of($variables["{$what}-ink"])
                        ->contrast(Colour::of($variables["{$what}-ground"]));
                    $this->assertGreaterThanOrEqual(Colour::AA, $ratio, "{$look->key}: {$what}");
                }
            }
            $this->assertSame($look->toArray(), LookReader::read($look->toArray())->toArray());
        }
    }

    public function test_everything_can_be_read_on_every_coloured_ground_whatever_the_colours(): void
    {
        mt_srand(27);
        $first = ShippedLooks::first()->toArray();
        $hex = fn (): string => sprintf('#%06x', mt_rand(0, 0xFFFFFF));
        for ($n = 0; $n < 60; $n++) {
            $look = LookReader::read([
                'colours' => array_map($hex, (array) $first['colours']),
                'buttons' => ['style' => ['filled', 'outlined', 'soft'][$n % 3]],
            ] + $first);
            foreach (Contrasts::of($look, $look->colours) as $pair) {
                if (! in_array($pair['ground'], ['paper', 'bed'], true)) {
                    $this->assertNotSame('fails', $pair['level'], (string) json_encode($look->colours->toArray()));
                }
            }
        }
    }

    public function test_a_ground_keeps_the_site_s_own_colours_where_they_can_be_read(): void
    {
        $palette = ShippedLooks::first()->colours;
        $leaf = GroundPalette::of($palette, 'leaf');
        $this->assertSame($palette->of(Role::Leaf)->hex(), $leaf->of(Role::Paper)->hex());
        $this->assertSame($palette->of(Role::Paper)->hex(), $leaf->of(Role::Ink)->hex());
        $this->assertNotSame($leaf->of(Role::Ink)->hex(), $leaf->of(Role::Copper)->hex(), 'copper is still copper');
        $bed = GroundPalette::of($palette, 'bed');
        $this->assertSame($palette->of(Role::Paper)->hex(), $bed->of(Role::Bed)->hex(), 'boxes on it are paper');
        $this->assertSame($palette->of(Role::Copper)->hex(), $bed->of(Role::Copper)->hex());
    }

    public function test_buttons_and_badges_can_be_read_whatever_the_colours(): void
    {
        foreach (['filled', 'outlined', 'soft'] as $style) {
            foreach (['#ffee00', '#808080', '#000000', '#ffffff', '#00aa88'] as $hex) {
                $first = ShippedLooks::first()->toArray();
                $look = LookReader::read([
                    'colours' => ['leaf' => $hex, 'copper' => $hex] + (array) $first['colours'],
                    'buttons' => ['style' => $style], 'badges' => ['style' => $style],
                ] + $first);
                $variables = LookVariables::colours($look, $look->colours);
                $ratio = Colour::of($variables['button-ink'])->contrast(Colour::of($variables['button-ground']));
                $this->assertGreaterThanOrEqual(Colour::AA, $ratio, "{$style} in {$hex}");
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'a colour' => [['colours' => ['ink' => 'black']], 'colours.ink'];
        yield 'a font that does not ship' => [['type' => ['text' => 'comic']], 'type.text'];
        yield 'a size' => [['type' => ['size' => 99]], 'type.size'];
        yield 'a key of a group' => [['shape' => ['radius' => 3]], 'shape.radius'];
        yield 'a group' => [['shapes' => []], 'shapes'];
        yield 'dark without colours for it' => [['light' => ['scheme' => 'dark'], 'dark' => null], 'dark'];
        yield 'a format' => [['format' => 2], 'format'];
    }

    /** @param  array<string, mixed>  $wrong */
    #[DataProvider('faults')]
    public function test_faults_are_told_at_their_place(array $wrong, string $path): void
    {
        $definition = array_replace_recursive(ShippedLooks::first()->toArray(), $wrong);
        try {
            LookReader::read(array_filter($definition, fn (mixed $value): bool => $value !== null));
            $this->fail('It is refused.');
        } catch (Refused $refused) {
            $this->assertSame([$path], array_column($refused->problems, 'path'));
        }
    }

    public function test_design_tokens_go_out_and_come_in_and_what_they_say_counts(): void
    {
        foreach (ShippedLooks::all() as $look) {
            $tokens = json_decode((string) json_encode(DesignTokens::of($look)), true);
            $this->assertIsArray($tokens);
            $read = LookReader::read(DesignTokens::definition($tokens, ShippedLooks::first()));
            $this->assertSame($look->toArray(), $read->toArray());
        }
        // As the format's document has them: a colour with its space and components, an alias, dimensions, a family.
        $brought = self::brought([
            'color' => [
                '$type' => 'color',
                'leaf' => ['$value' => ['colorSpace' => 'srgb', 'components' => [1, 0, 1], 'alpha' => 1,
                    'hex' => '#ff00ff']],
                'copper' => ['$value' => '{color.leaf}'],
                'ink' => ['$value' => '#112233'],
            ],
            'radius' => ['corner' => ['$type' => 'dimension', '$value' => ['value' => 0.5, 'unit' => 'rem']]],
            'font' => ['text' => ['$type' => 'fontFamily', '$value' => ['Helvetica', 'Literata', 'serif']]],
            'weight' => ['heading' => ['$type' => 'fontWeight', '$value' => 700]],
        ]);
        $colours = $brought->colours->toArray();
        $this->assertSame(['#ff00ff', '#ff00ff', '#112233'], [
            $colours['leaf'], $colours['copper'], $colours['ink'],
        ]);
        $this->assertSame(8, $brought->number('shape', 'corners'));
        $this->assertSame('literata', $brought->text('type', 'text'));
        $this->assertSame(700, $brought->number('type', 'weight'));
        foreach ([
            [['color' => ['ink' => ['$value' => ['colorSpace' => 'oklch', 'components' => [0.5, 0.1, 20]]]]],
                'color.ink.$value'],
            [['color' => ['ink' => ['$value' => 'rebeccapurple']]], 'color.ink.$value'],
            [['size' => []], 'color'],
        ] as [$wrong, $path]) {
            try {
                self::brought($wrong);
                $this->fail('They are refused.');
            } catch (Refused $refused) {
                $this->assertSame([$path], array_column($refused->problems, 'path'));
            }
        }
    }

    public function test_dividers_are_drawn_from_edge_to_edge(): void
    {
        foreach (['slope', 'wave', 'scallop', 'torn'] as $shape) {
            foreach ([false, true] as $flipped) {
                $points = array_map(
                    fn (string $point): array => array_map(floatval(...), explode(' ', $point)),
                    explode(', ', Divider::polygon($shape, $flipped)),
                );
                $this->assertSame([0.0, 100.0], [$points[0][0], $points[count($points) - 3][0]]);
                $this->assertSame([[100.0, 101.0], [0.0, 101.0]], array_slice($points, -2));
                foreach (array_slice($points, 0, -2) as [$x, $y]) {
                    $this->assertTrue($x >= 0 && $x <= 100 && $y >= 0 && $y <= 100, "{$shape}: {$x} {$y}");
                }
            }
            $this->assertSame(
                $shape === 'scallop',
                Divider::polygon($shape, false) === Divider::polygon($shape, true),
                'only scallops are the same both ways',
            );
        }
    }

    /** @param  array<string, mixed>  $tokens */
    private static function brought(array $tokens): Look
    {
        return LookReader::read(DesignTokens::definition($tokens, ShippedLooks::first()));
    }

    private static function distance(Colour $one, Colour $other): int
    {
        return ($one->red - $other->red) ** 2 + ($one->green - $other->green) ** 2 + ($one->blue - $other->blue) ** 2;
    }

    public function test_every_choice_of_a_module_s_own_style_has_its_rule_and_every_rule_its_choice(): void
    {
        $wanted = [];
        foreach (Departure::options() as $option) {
            foreach ($option instanceof OptionGroup ? $option->options : [] as $inner) {
                foreach ($inner->describe()['choices'] ?? [] as $choice) {
                    $class = "{$option->key()}-{$inner->key()}-{$choice['value']}";
                    // The shape of arrows is drawn, and what is left to the look has no class.
                    $isStyled = $choice['value'] !== Departure::AS_THE_LOOK
                        && ! str_starts_with($class, 'arrows-shape');
                    $wanted = [...$wanted, ...$isStyled ? [$class] : []];
                }
            }
        }
        $this->assertEqualsCanonicalizing($wanted, array_keys(DepartureSheet::rules()));
        $this->assertStringNotContainsString('#', DepartureSheet::css(), 'it has no colour of its own');
        $module = Garden::module(['look' => [
            'tone' => 'strong', 'title' => ['weight' => 'bold', 'colour' => 'copper'],
            'arrows' => ['shape' => 'angle'],
        ]]);
        $this->assertSame([
            'module-tone-strong', 'module-title-weight-bold', 'module-title-colour-copper',
            'module-arrows-shape-angle',
        ], $module->look?->classes());
        $this->assertSame('angle', $module->look->arrows());
        $this->assertStringContainsString(
            'but tone strong, own titles, own arrows',
            Sentences::asText($module, Garden::format()),
        );
        foreach ([['weight' => 'black'], ['kerning' => 'tight'], 'bold'] as $wrong) {
            try {
                Garden::module(['look' => ['title' => $wrong]]);
                $this->fail('It is refused.');
            } catch (Refused $refused) {
                $this->assertStringStartsWith('look.title', $refused->problems[0]->path);
            }
        }
    }
}
