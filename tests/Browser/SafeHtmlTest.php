<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Content\Html\AllowedHtml;
use App\Content\Html\SafeHtml;
use App\Look\OwnStyles;

/**
 * No text of an author reaches beyond its place in the page. Every element and attribute of the index of the HTML
 * Living Standard (html.spec.whatwg.org, through npm's html-tag-names, html-element-attributes and
 * html-event-attributes) is tried, and Chromium's own parser says where what is left of it ends up.
 */
final class SafeHtmlTest extends BrowserTestCase
{
    /** Beside the index: what is only proposed, or is known to some browsers. */
    private const MORE_ELEMENTS = [
        'portal', 'fencedframe', 'selectedcontent', 'svg', 'math', 'x-y', 'plaintext', 'xmp',
    ];

    private const MORE_ATTRIBUTES = [
        'shadowroot', 'shadowrootmode', 'anchor', 'xmlns', 'xlink:href', 'elementtiming', 'interestfor', 'role',
        'aria-hidden', 'data-x', 'rel', 'ping', 'formaction',
    ];

    /** None of them is left, whatever the index calls them. */
    private const NEVER = [
        'id', 'name', 'is', 'inert', 'accesskey', 'class', 'style', 'slot', 'popover', 'tabindex', 'contenteditable',
        'shadowrootmode', 'form', 'formaction', 'usemap', 'autofocus', 'nonce', 'srcdoc', 'ping', 'download',
    ];

    /** The text is placed in a list item, in a cell of a list of values. */
    private const PAGE = '<!doctype html><html><body><ul id="list"><li id="card"><dl id="values"><dd id="cell">'
        .'<div id="prose">%s</div></dd></dl></li></ul><p id="after">after</p></body></html>';

    public function test_no_element_and_no_attribute_reaches_beyond_its_text(): void
    {
        $index = json_decode((string) shell_exec('node '.escapeshellarg(dirname(__DIR__).'/Support/html-index.mjs')));
        $this->assertInstanceOf(\stdClass::class, $index);
        $elements = [...$index->elements, ...self::MORE_ELEMENTS];
        $this->assertGreaterThan(140, count($elements), 'the index');
        $attributes = array_values(array_unique(
            [...$index->attributes, ...$index->events, ...self::MORE_ATTRIBUTES],
        ));
        $this->assertGreaterThan(200, count($attributes), 'the index');
        $html = new SafeHtml;
        $allowed = AllowedHtml::all();
        $left = $seen = [];
        foreach ($elements as $element) {
            $inside = "<p>before</p><{$element}>inside</{$element}><p>behind</p>";
            foreach ([
                $inside, "<{$element}>never closed <p>x", "x</{$element}></div></li></ul>y", "<table>{$inside}",
                "<li>{$inside}</li><dd>{$inside}", "<ul>{$inside}</ul>", "<dl>{$inside}</dl>",
                "<a href='/x'>{$inside}</a>",
                ...array_map(
                    fn (array $some): string => "<{$element} ".implode(' ', array_map(
                        fn (string $name): string => $name.'="'.($name === 'dir' ? 'rtl' : 'evil').'"',
                        $some,
                    )).'>inside',
                    array_chunk($attributes, 45),
                ),
            ] as $text) {
                $safe = (string) $html->safe($text);
                $left[$text] = $safe;
                $this->assertSame($safe, (string) (new SafeHtml)->safe($safe), "made safe twice: {$text}");
                preg_match_all('/<([a-z][^\s>\/]*)([^>]*)>/i', $safe, $tags, PREG_SET_ORDER);
                foreach ($tags as [, $name, $own]) {
                    $this->assertArrayHasKey($name, $allowed, $text);
                    preg_match_all('/\s([^\s=]+)=/', $own, $names);
                    $this->assertSame([], array_diff($names[1], [...$allowed[$name], 'rel']), $text);
                    $this->assertSame([], array_intersect($names[1], [...self::NEVER, ...$index->events]), $text);
                    $seen[$name] = true;
                }
            }
        }
        $this->assertSame([], array_diff_key($allowed, $seen), 'every allowed element is in the index');
        $out = $this->browser->executeScript(<<<'JS'
            const [page, texts] = arguments;
            const out = [];
            for (const [given, safe] of Object.entries(texts)) {
                const doc = new DOMParser().parseFromString(page.replace("%s", () => safe), "text/html");
                const at = (id) => doc.getElementById(id);
                const stays = doc.body.attributes.length + doc.documentElement.attributes.length === 0
                    && [...doc.body.children].map((one) => one.id).join() === "list,after"
                    && [...at("list").children].map((one) => one.id).join() === "card"
                    && [...at("card").children].map((one) => one.id).join() === "values"
                    && [...at("values").children].map((one) => one.id).join() === "cell"
                    && [...at("cell").children].map((one) => one.id).join() === "prose"
                    && at("after").innerHTML === "after" && at("cell").childNodes.length === 1;
                if (!stays) out.push(given + " became " + safe);
            }
            return out;
            JS, [self::PAGE, $left]);
        $this->assertSame([], $out);
    }

    /** A style sheet of the site's own covers nothing outside the content, on a phone with open filters neither. */
    public function test_a_style_sheet_covers_nothing_outside_the_content(): void
    {
        $css = (new OwnStyles)->safe('.module, .card, h1 { position: absolute; inset: -9999px; z-index: 99999; '
            .'background: red; box-shadow: 0 0 0 9999px red } .page-head { transform: scale(50); margin: -999px }');
        $this->visit('/shop');
        $covered = fn (string $css): mixed => $this->browser->executeScript(<<<'JS'
            const sheet = new CSSStyleSheet();
            sheet.replaceSync(arguments[0]);
            document.adoptedStyleSheets = [sheet];
            const covered = [...document.querySelectorAll(".site-head, .site-head a, .site-foot")].filter((one) => {
                one.scrollIntoView({ behavior: "instant", block: "nearest" });
                const box = one.getBoundingClientRect();
                const top = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
                const place = document.getElementById("content").getBoundingClientRect();
                const isOutside = box.y + box.height / 2 < place.top || box.y + box.height / 2 > place.bottom;
                return isOutside && top !== null && top.closest("#content") !== null;
            });
            const beyond = document.documentElement.scrollWidth - innerWidth;
            return [...covered.map((one) => one.className || one.href), ...(beyond > 20 ? [`${beyond} px wider`] : [])];
            JS, [$css]);
        $this->assertSame([], $covered(''));
        $this->assertSame([], $covered($css));
        $free = str_replace('#content{contain:layout paint;overflow-clip-margin:8px}', '', $css);
        $this->assertNotSame([], $covered($free), 'without containment other parts are covered, or the page grows');
        $this->width(390);
        $this->visit('/shop');
        $this->findText('.open-filters', 'Filter')->click();
        $box = $this->browser->executeScript(<<<'JS'
            const sheet = new CSSStyleSheet();
            sheet.replaceSync(arguments[0]);
            document.adoptedStyleSheets = [sheet];
            const box = document.querySelector(".drawer[open]").getBoundingClientRect();
            return box.x === 0 && box.y === 0 && box.width > 370 && box.height <= innerHeight;
            JS, [(new OwnStyles)->safe('.card { padding: 1px }')]);
        $this->assertTrue($box, 'filters open over the window');
    }

    public function test_what_a_text_may_have_stays_and_links_are_kept_apart(): void
    {
        $html = new SafeHtml;
        $fine = '<h2>Soil</h2><p>Loam, <strong>sieved</strong>.</p><ul><li>one<ul><li>two</li></ul></li></ul>'
            .'<figure><img src="/media/a.webp" alt="A" width="4" height="3" /><figcaption>A</figcaption></figure>';
        $this->assertSame($fine, $html->safe($fine));
        foreach ([
            '<body inert dir="rtl"><p>x</p>' => '<p>x</p>',
            '<plaintext>x' => '',
            '<xmp><p>x</xmp>y' => 'y',
            '<portal src="https://evil.example/">x</portal>y' => 'y',
            '<dialog open id=content>x</dialog>y' => 'y',
            '<li>x</li>' => 'x',
            '<a href="/y" rel="opener" target="_top">x</a>' => '<a href="/y" rel="noopener">x</a>',
            '<a href="/x" target="_BLANK">x</a>' => '<a href="/x" target="_blank" rel="noopener">x</a>',
            '<a href="javascript:x()">x</a>' => '<a rel="noopener">x</a>',
            '<form action="/x"><button>Send</button>x</form>' => 'x',
        ] as $given => $safe) {
            $this->assertSame($safe, (string) $html->safe($given));
        }
    }
}
