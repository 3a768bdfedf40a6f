<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\Blank;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Excerpt;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\HeadingOutline;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Text\Whitespace;

final class TextTest extends TestCase
{
    use TestTrait;

    /** The transform is UTS #35's; the pairs are rules.md's and plain consequences of it. */
    public function test_text_compares_without_case_and_accents(): void
    {
        foreach ([
            ['Ø', 'o'], ['Straße', 'STRASSE'], ['Crème brûlée', 'creme brulee'], ['ﬁg', 'fig'], ['①', '1'],
            ["e\u{301}", 'é'],
        ] as [$a, $b]) {
            $this->assertSame(Fold::of($a), Fold::of($b), "{$a} = {$b}");
        }
        $transform = \Transliterator::create('NFKD; [:Nonspacing Mark:] Remove; Latin-ASCII; Lower; NFC');
        $ascii = implode('', array_map(chr(...), range(0, 127)));
        $this->assertSame($transform?->transliterate($ascii), Fold::of($ascii), 'ASCII is folded in a shorter way');
        $this->assertNotSame(Fold::of('pear'), Fold::of('peat'));
    }

    public function test_case_and_a_combining_accent_never_tell_texts_apart(): void
    {
        $letters = array_map(
            fn (int $code): string => (string) mb_chr($code),
            [
                ...range(0x41, 0x5A),
                ...range(0x61, 0x7A),
                ...range(0xC0, 0xD6),
                ...range(0xD8, 0xF6),
                ...range(0xF8, 0xFE),
            ],
        );
        $accents = Generators::elements("\u{300}", "\u{301}", "\u{308}", "\u{327}", '');
        $this->forAll(
            Generators::seq(Generators::tuple(Generators::elements($letters), $accents)),
        )->then(function (array $pairs): void {
            $plain = implode('', array_column($pairs, 0));
            $accented = implode('', array_merge(...array_values($pairs)));
            $this->assertSame(Fold::of($plain), Fold::of($accented));
            $this->assertSame(Fold::of(mb_strtoupper($plain)), Fold::of(mb_strtolower($accented)));
        });
    }

    #[DataProvider('empties')]
    public function test_what_empty_means(mixed $value, bool $empty): void
    {
        $this->assertSame($empty, Blank::is($value));
    }

    /** @return list<array{mixed, bool}> */
    public static function empties(): array
    {
        return [
            [null, true], ['', true], [" \t\n\u{A0}\u{200B}", true], ["\u{2003}\u{3000}\u{85}", true],
            [[], true], [0, false], [0.0, false], [false, false], ['0', false], [['x'], false],
        ];
    }

    public function test_white_space_of_every_kind_is_dropped_at_the_ends_of_one_line_of_text(): void
    {
        // Source: the Unicode property White_Space; U+200B and U+FEFF have no width and are dropped with it.
        $spaces = [
            "\t",
            "\n",
            "\u{85}",
            "\u{A0}",
            "\u{1680}",
            "\u{2003}",
            "\u{2028}",
            "\u{202F}",
            "\u{205F}",
            "\u{3000}",
            "\u{200B}",
            "\u{FEFF}",
        ];
        $field = Garden::plant()->fields['nickname'];
        foreach ($spaces as $space) {
            $this->assertSame('Tree fern', $field->kind->read("{$space}Tree fern{$space} ", $field), bin2hex($space));
            $this->assertSame('Tree fern', $field->kind->readCell("Tree fern{$space}", $field), bin2hex($space));
            $is = Garden::module([
                'where' => ['all' => [['field' => 'nickname', 'test' => 'is', 'value' => "{$space}tree FERN"]]],
            ])->where->members[0]
                ?? null;
            $context = Garden::context();
            $fern = Garden::record(1, ['nickname' => 'Tree fern']);
            $this->assertTrue($is?->bound($context)->keeps($fern, $context), bin2hex($space));
        }
        $this->assertSame('4 5', Whitespace::squeeze("\u{3000}4 \u{A0}\t5\n"));
        foreach (["a\x00b", "a\x1Fb", "a\x0Bb", "a\x7Fb"] as $text) {
            $this->assertSame('expected text without control characters.', $this->refusal($text));
        }
        $this->assertSame('expected text in UTF-8, found “a?”.', $this->refusal("a\xFF"));
    }

    private function refusal(string $text): string
    {
        try {
            Garden::plant()->fields['nickname']->kind->read($text, Garden::plant()->fields['nickname']);
        } catch (WrongValue $wrong) {
            return $wrong->getMessage();
        }

        return '';
    }

    public function test_html_is_empty_without_visible_text_and_media(): void
    {
        $this->assertTrue(Blank::isHtml('<p>&nbsp;</p><!-- words --><script>x()</script><style>p{}</style>'));
        $this->assertFalse(Blank::isHtml('<p><img src="a.webp"></p>'));
        $this->assertTrue(
            Blank::isHtml('<p><!-- <img src="a.webp"> --></p><template><video></video></template><!-- <img'),
            'what no browser shows is no media',
        );
        $this->assertSame('Ferns & moss, one line', Html::visibleText('<h2>Ferns &amp; moss,</h2><p>one<br>line</p>'));
        $this->assertSame('inline words', Html::visibleText('in<b>line</b> words'));
    }

    public function test_an_excerpt_is_cut_at_a_word_and_says_so_only_where_it_was_cut(): void
    {
        $this->forAll(
            Generators::seq(Generators::elements('moss', 'fern,', 'ügly', 'x', "\n", '  ')),
            Generators::choose(1, 12),
        )
            ->then(function (array $words, int $limit): void {
                $text = Whitespace::squeeze(implode(' ', $words));
                $excerpt = Excerpt::words($text, max(1, $limit));
                $count = $text === '' ? 0 : count(explode(' ', $text));
                $this->assertSame($count > $limit, str_ends_with($excerpt, '…'));
                $this->assertTrue(str_starts_with($text, rtrim($excerpt, '…')));
                $this->assertLessThanOrEqual($limit, $excerpt === '' ? 0 : count(explode(' ', $excerpt)));
            });
        // Word boundaries: Unicode Standard Annex #29, through ICU; the Japanese and Thai words are told from memory.
        foreach ([
            ['One, two…', 'One, two. Three', 2],
            ['One, two.', 'One, two.', 2],
            ['£4.20 each…', '£4.20 each (two for 5)', 2],
            ['シダは…', 'シダは日陰を好む。', 2], ['シダは日陰を好む。', 'シダは日陰を好む。', 6], ['เฟิร์นชอบ…', 'เฟิร์นชอบที่ร่ม', 2],
            [str_repeat('x', 60).'…', str_repeat('x', 61), 1],
            [str_repeat('👩‍👩‍👧', 60).'…', str_repeat('👩‍👩‍👧', 61), 1],
        ] as [$expected, $text, $words]) {
            $this->assertSame($expected, Excerpt::words($text, $words));
        }
    }

    public function test_a_slug_is_always_a_slug(): void
    {
        $this->forAll(Generators::string())->then(function (string $title): void {
            $this->assertTrue(Slug::isOne(Slug::from(mb_scrub($title))));
        });
        $this->assertSame('harts-tongue-fern', Slug::from('Hart’s-tongue fern'));
        $this->assertSame('strasse-nach-orebro', Slug::from('Straße nach Örebro'));
        $this->assertSame('item', Slug::from('— !'));
    }

    public function test_no_heading_level_is_skipped_on_a_page(): void
    {
        $levels = function (string ...$blocks): string {
            $outline = new HeadingOutline;
            $html = implode('', array_map($outline->mended(...), $blocks));
            preg_match_all('~<h([1-6])[^>]*>[^<]*</h\1>~', $html, $found);

            return implode('', $found[1]);
        };
        $h = fn (int ...$asked): string => implode('', array_map(
            fn (int $n): string => "<h{$n} class=\"x\">A</h{$n}>",
            $asked,
        ));
        $this->assertSame('2333', $levels($h(2, 3, 3, 3)), 'as it was');
        $this->assertSame('222', $levels($h(3, 3, 3)), 'cards without a heading above them');
        $this->assertSame('2323', $levels($h(2), $h(4), $h(2, 4)), 'a level is skipped in another block');
        $this->assertSame('2342', $levels($h(3, 5, 6, 3)), 'what stood under a heading still does');
        $this->assertSame('1233', $levels($h(1, 2), $h(3, 3)));
        $this->assertSame('1223', $levels($h(1), $h(1, 2, 3)), 'a page has one h1');
        $this->assertSame('<h2>A</h2>', (new HeadingOutline(true))->mended('<h1>A</h1>'), 'its title is the h1');
        $this->assertSame('<h4>A</h4><h6>B</h6><hr>', HeadingOutline::lowered('<h2>A</h2><h5>B</h5><hr>', 2));
    }
}
