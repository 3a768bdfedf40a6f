<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\ExpectationFailedException;

/**
 * Drawn work on the screens of managers: open, type, choose, Escape, undo, reload, leave, come back, and a second
 * person at the same time. No script fails, every screen can be shown, the screen shows what the server has, and no
 * edit is lost. `DRAWN=500 SEED=7` draws more sequences, or others.
 */
final class DrawnWorkTest extends BrowserTestCase
{
    private const SEQUENCES = 30;

    private const STEPS = 10;

    /** Network answers that belong to drawn work: refused definitions, and a second person's save. */
    private const EXPECTED = ['409', '422', '404', 'ERR_ABORTED'];

    private const DRAWN = [
        'click', 'click', 'click', 'click', 'click', 'choose', 'choose', 'type', 'type', 'escape', 'undo', 'reload',
        'leave', 'other',
    ];

    /** @var array<string, string> ways through the application, by the kind of screen */
    private array $drafts = [];

    /** @var list<string> keys of types that were made */
    private array $types = [];

    /** @var array<string, mixed>|null the frame as it was */
    private ?array $frame = null;

    protected function tearDown(): void
    {
        foreach ($this->types as $key) {
            $this->ask('DELETE', "/types/{$key}");
        }
        if ($this->frame !== null) {
            $now = $this->ask('GET', '/frame');
            $this->ask('PUT', '/frame/draft', ['definition' => $this->frame, 'revision' => $now['revision']]);
        }
        parent::tearDown();
    }

    public function test_whatever_is_done_on_a_screen_it_stays_whole_and_shows_what_the_server_has(): void
    {
        $this->signIn();
        $sequences = (int) (getenv('DRAWN') ?: self::SEQUENCES);
        $seed = (int) (getenv('SEED') ?: 28);
        $only = getenv('SCREEN') ?: '';
        $step = (string) file_get_contents(__DIR__.'/drawn-work.js');
        $faults = [];
        for ($n = 0; $n < $sequences; $n++) {
            mt_srand($seed + $n);
            $screen = ['bench', 'bench', 'page', 'item', 'frame', 'type'][$n % 6];
            if ($only !== '' && $only !== $screen) {
                continue;
            }
            $at = $this->screen($screen, $n);
            $this->browser->executeScript('sessionStorage.clear(); localStorage.clear()');
            $this->visit($at);
            $done = [];
            try {
                $this->settled();
                for ($i = 0; $i < self::STEPS; $i++) {
                    $kind = self::DRAWN[mt_rand(0, count(self::DRAWN) - 1)];
                    [$which, $what] = [mt_rand(0, 999) / 1000, mt_rand(0, 999) / 1000];
                    $done[] = match ($kind) {
                        'reload' => $this->reloaded(),
                        'leave' => $this->left($at),
                        'other' => $this->otherSaves($screen, $which),
                        default => $this->browser->executeAsyncScript($step, [$kind, $which, $what]),
                    };
                    $this->isWhole($done);
                }
                $this->showsWhatTheServerHas($screen, $done);
            } catch (\Throwable $fault) {
                $faults[] = 'SEED='.($seed + $n)." {$at}: ".implode(' · ', array_map(strval(...), $done))
                    ."\n    {$fault->getMessage()}".($fault instanceof ExpectationFailedException
                        ? $fault->getComparisonFailure()?->getDiff()
                        : '');
                $this->browser->manage()->getLog('browser');
                if (count($faults) >= 5) {
                    break;
                }
            }
        }
        $this->assertSame([], $faults, implode("\n", $faults));
    }

    /** The address of a screen of its own for the sequence. */
    private function screen(string $kind, int $n): string
    {
        if ($kind === 'bench') {
            $starts = $this->ask('GET', '/modules/starts');
            $start = (array) $starts[array_keys($starts)[mt_rand(0, count($starts) - 1)]];
            $made = $this->ask('POST', '/modules', ['name' => "Drawn {$n}", 'definition' => $start['definition']]);
            $this->drafts[$kind] = "/modules/{$made['key']}";

            return "/manage/modules/{$made['key']}";
        }
        if ($kind === 'page') {
            $made = $this->ask('POST', '/pages', ['title' => "Drawn {$n}", 'address' => '/drawn-'.mt_rand()]);
            $this->drafts[$kind] = "/pages/{$made['key']}";
            $text = ['block' => 'text', 'html' => '<p>Some words.</p>'];
            $this->ask('PUT', "/pages/{$made['key']}/draft", ['revision' => $made['revision'], 'definition' => [
                'bands' => [
                    ['key' => 'top', 'slots' => [['share' => 12, 'blocks' => [$text, ['block' => 'searchBox']]]]],
                    ['key' => 'body', 'slots' => [
                        ['share' => 8, 'blocks' => [['module' => 'all-posts']]], ['share' => 4, 'blocks' => [$text]],
                    ]],
                ],
            ] + $made['definition']]);

            return "/manage/pages/{$made['key']}";
        }
        if ($kind === 'item') {
            $type = ['post', 'product', 'plot'][mt_rand(0, 2)];
            $made = $this->ask('POST', '/items', ['type' => $type, 'values' => [
                'title' => "Drawn {$n} ".bin2hex(random_bytes(3)), 'status' => 'draft',
                ...$type === 'plot' ? ['area' => 70] : [],
            ]]);
            $this->drafts[$kind] = "/items/{$made['id']}";

            return "/manage/content/{$type}/{$made['id']}";
        }
        if ($kind === 'type') {
            $key = 'drawn_'.bin2hex(random_bytes(3));
            $this->ask('PUT', '/types', ['file' => [
                '$schema' => 'https://json-schema.org/draft/2020-12/schema', 'title' => "Drawn {$n}",
                'type' => 'object', 'x-wellspring' => [
                    'format' => 1, 'key' => $key, 'plural' => "Drawn {$n}", 'address' => "/{$key}/{slug}",
                    'taxonomies' => [],
                ], 'properties' => [
                    'area' => ['title' => 'Area', 'type' => 'number', 'x-wellspring' => ['kind' => 'number']],
                    'soil' => ['title' => 'Soil', 'enum' => ['clay', 'loam'], 'x-wellspring' => ['kind' => 'choice']],
                    'note' => ['title' => 'Note', 'type' => 'string', 'x-wellspring' => ['kind' => 'text']],
                ],
            ]]);
            $this->types[] = $key;

            return "/manage/types/{$key}";
        }
        $this->frame ??= $this->ask('GET', '/frame')['definition'];
        $this->drafts[$kind] = '/frame';

        return '/manage/pages/_frame';
    }

    private function reloaded(): string
    {
        $this->settled();
        $this->browser->navigate()->refresh();
        $this->settled();

        return 'reload';
    }

    private function left(string $at): string
    {
        $this->browser->executeScript('document.querySelector("header a, nav a")?.click()');
        $this->settled();
        if (mt_rand(0, 1) === 1) {
            $this->browser->navigate()->back();
            $this->settled();
        }
        if (parse_url((string) $this->browser->getCurrentURL(), PHP_URL_PATH) !== $at) {
            $this->visit($at);
            $this->settled();
        }

        return 'leave and come back';
    }

    /** A second person saves the same draft, unchanged but for its revision. */
    private function otherSaves(string $screen, float $which): string
    {
        if (in_array($screen, ['item', 'type', 'frame'], true) || $which > 0.4) {
            return 'nobody else comes';
        }
        $this->settled();
        $now = $this->ask('GET', $this->drafts[$screen]);
        $definition = $now['definition'];
        $definition[$screen === 'page' ? 'title' : 'name'] = 'Renamed by another '.mt_rand(1, 99);
        $this->ask('PUT', $this->drafts[$screen].'/draft', [
            'revision' => $now['revision'], 'definition' => $definition,
        ]);

        return 'another person saves';
    }

    /** @param  list<mixed>  $done */
    private function isWhole(array $done): void
    {
        $errors = array_filter(
            $this->browser->manage()->getLog('browser'),
            fn (array $entry): bool => $entry['level'] === 'SEVERE' && array_filter(
                self::EXPECTED,
                fn (string $words): bool => str_contains($entry['message'], $words),
            ) === [],
        );
        $this->assertSame([], array_column($errors, 'message'));
        $text = (string) $this->browser->executeScript('return document.body.innerText');
        $this->assertStringNotContainsString('could not be shown', $text);
    }

    /**
     * After a moment without a step the screen and the server agree, and the same is there when the screen is loaded
     * anew.
     *
     * @param  list<mixed>  $done
     */
    private function showsWhatTheServerHas(string $screen, array $done): void
    {
        $this->settled();
        $stale = $this->browser->executeScript(
            'const one = [...document.querySelectorAll("[role=alert] button")].find((one) => '
                .'one.innerText.includes("Keep mine over theirs")); one?.click(); return one !== undefined;',
        );
        $stale === true && $this->settled();
        $before = $this->shown($screen);
        $isRefused = $this->browser->executeScript('return document.body.innerText.includes("could not be kept")');
        if ($isRefused === true) {
            // What the server refuses is told, and waits on the screen.
            return;
        }
        if (in_array($screen, ['bench', 'page', 'frame'], true)) {
            $server = $this->ask('GET', $this->drafts[$screen]);
            $edited = $this->browser->executeScript(
                'const key = Object.keys(sessionStorage).find((one) => one.startsWith(arguments[0]));'
                    .'return key ? JSON.parse(sessionStorage.getItem(key)) : null;',
                ['history '.($screen === 'bench' ? 'module' : $screen).' '],
            );
            if ($edited !== null && $edited['revision'] !== $server['revision']) {
                // Another person saved after the last edit; the screen is told with the next one.
                return;
            }
            $edited === null
                || $this->assertSame(
                    self::sorted($server['definition']),
                    self::sorted($edited['now']),
                    'an edit is lost',
                );
        }
        $this->browser->navigate()->refresh();
        $this->settled();
        $this->isWhole($done);
        $after = $this->shown($screen);
        $this->assertSame($after, $before, 'loaded anew, it is another');
        if ($screen === 'bench') {
            $module = $this->ask('GET', $this->drafts[$screen]);
            $look = $this->ask('POST', '/bench/preview', ['definition' => $module['definition']]);
            $said = array_map(
                fn (array $sentence): string => self::plain(implode('', array_column($sentence['pieces'], 'text'))),
                $look['sentences'],
            );
            $this->assertSame($said, $after, 'the text is that of the definition on the server');
        }
    }

    /** Keys in one order: the database and the browser keep them in orders of their own. */
    private static function sorted(mixed $data): mixed
    {
        if (! is_array($data)) {
            return $data;
        }
        array_is_list($data) || ksort($data);

        return array_map(self::sorted(...), $data);
    }

    /**
     * What the screen shows of the draft: the sentences of a module; of other screens all words and values.
     *
     * @return list<string>
     */
    private function shown(string $screen): array
    {
        $this->browser->executeScript(<<<'JS'
            for (let i = 0; i < 3; i++) {
                document.activeElement?.dispatchEvent(new KeyboardEvent("keydown", { key: "Escape", bubbles: true }));
            }
            document.activeElement?.blur();
            JS);
        $this->answered();
        $script = match ($screen) {
            'bench' => 'return [...document.querySelectorAll("ol[aria-label=\"The module as text\"] > li[data-rule] '
                .'p.break-words")].map((one) => one.textContent)',
            'type' => 'return [...document.querySelectorAll("section[aria-label=Words] input")].map((one) => '
                .'one.type === "checkbox" ? String(one.checked) : one.value).concat([...document.querySelectorAll('
                .'"section[aria-label=Fields] li code")].map((one) => one.textContent))',
            default => <<<'JS'
                const form = document.querySelector("form, section[aria-label=Plan], main");
                // The names of what the mouse is over are not part of the plan.
                const isOther = (one) => one.closest("[role=status], [role=alert], [role=dialog], .page-names");
                return [
                    ...[...form.querySelectorAll("h1, h2, .word, [data-field]")]
                        .filter((one) => !isOther(one)).map((one) => one.textContent),
                    ...[...form.querySelectorAll("input[id^=field-]:not([type=file]):not([role=combobox])")]
                        .filter((one) => !isOther(one))
                        .map((one) => (one.matches("[type=checkbox], [type=radio]") ? String(one.checked) : one.value)),
                ];
                JS,
        };
        $found = $this->browser->executeScript($script);

        return array_map(
            fn (mixed $one): string => self::plain(is_string($one) ? $one : ''),
            is_array($found) ? array_values($found) : [],
        );
    }

    private static function plain(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }

    /** Nothing is on its way any more, and what was typed is kept, refused, or another person's. */
    private function settled(): void
    {
        $this->await('nothing is on its way any more', function (): ?bool {
            $text = (string) $this->browser->executeScript(
                'return (document.querySelector("main") ?? document.body).innerText',
            );
            $isBusy = preg_match('/· keeping…|^Opening(…| the bench…)|Counting…/mu', $text) === 1
                || $this->browser->executeScript(
                    'return performance.getEntriesByType("resource").some((one) => one.responseEnd === 0)',
                ) === true
                || $this->browser->executeScript('return document.querySelector("[data-updating]") !== null') === true;
            if ($isBusy) {
                return null;
            }
            $this->answered();
            $again = (string) $this->browser->executeScript(
                'return (document.querySelector("main") ?? document.body).innerText',
            );

            return $again === $text ?: null;
        });
    }
}
