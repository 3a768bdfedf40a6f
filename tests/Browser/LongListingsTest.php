<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Support\WebClient;

/**
 * A listing that loads more as the visitor reads: whatever the visitor does, the cards are exactly records 1 to n of
 * the answer, each once. `SEQUENCES=500 SEED=7` draws more, or the same again.
 */
final class LongListingsTest extends BrowserTestCase
{
    private const SEQUENCES = 30;

    private const STEPS = 6;

    /** @var array<string, list<string>> by address */
    private array $answers = [];

    public function test_the_cards_are_the_first_of_the_answer_each_once_whatever_is_done(): void
    {
        $this->apply('modules', [
            'key' => 'long', 'name' => 'Long', 'source' => ['items' => ['product']], 'order' => [['by' => 'title']],
            'page' => ['mode' => 'continuous', 'size' => 10, 'loads' => 9],
            'offer' => [
                'key' => 'long', 'sizes' => [10, 20], 'filters' => [['field' => 'light', 'as' => 'checks']],
                'orders' => [
                    ['key' => 'down', 'name' => 'Z to A', 'order' => [['by' => 'title', 'direction' => 'down']]],
                ],
            ],
            'card' => ['lines' => [['parts' => [['part' => 'title']]]]],
        ]);
        $this->apply('pages', [
            'key' => 'long', 'address' => '/long', 'title' => 'Long',
            'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [['module' => 'long']]]]]],
        ]);
        $seed = (int) (getenv('SEED') ?: 27);
        for ($n = 0; $n < (int) (getenv('SEQUENCES') ?: self::SEQUENCES); $n++) {
            mt_srand($seed + $n);
            $this->visit('/long');
            $done = [];
            for ($step = 0; $step < self::STEPS; $step++) {
                $done[] = $do = ['scroll', 'scroll', 'size', 'order', 'back', 'reload'][mt_rand(0, 5)];
                match ($do) {
                    'scroll' => $this->browser->executeScript(
                        'scrollTo({ top: document.body.scrollHeight, behavior: "instant" })',
                    ),
                    'size' => $this->chooseNext('long-size'),
                    'order' => $this->chooseNext('long-sort'),
                    'back' => $step > 0 && in_array('size', $done, true) ? $this->browser->navigate()->back() : null,
                    'reload' => $this->browser->navigate()->refresh(),
                };
                $this->settles();
                [$address, $shown] = $this->settled();
                if (! str_starts_with($address, '/long')) {
                    $this->visit('/long');

                    continue;
                }
                $this->assertSame(
                    array_slice($this->answer($address), 0, count($shown)),
                    $shown,
                    'SEED='.($seed + $n).': '.implode(', ', $done)." at {$address}",
                );
                $this->assertNotSame([], $shown);
            }
        }
    }

    /**
     * The address and the cards, when they belong together. On a busy machine a choice may take a moment to begin; what
     * is wrong stays wrong.
     *
     * @return array{string, list<string>}
     */
    private function settled(): array
    {
        $until = microtime(true) + 5;
        for (; ;) {
            $address = (string) $this->browser->executeScript('return location.pathname + location.search');
            $shown = $this->cards();
            $fits = ! str_starts_with($address, '/long')
                || array_slice($this->answer($address), 0, count($shown)) === $shown;
            if ($fits || microtime(true) > $until) {
                return [$address, $shown];
            }
            usleep(100_000);
        }
    }

    /** Chooses another option of a control of the listing. */
    private function chooseNext(string $name): void
    {
        $this->browser->executeScript(<<<'JS'
            const control = document.querySelector(`select[name="${arguments[0]}"]`);
            control.selectedIndex = (control.selectedIndex + 1) % control.options.length;
            control.dispatchEvent(new Event("change", { bubbles: true }));
            JS, [$name]);
    }

    /** Waits until nothing is loading and the number of cards stays the same. */
    private function settles(): void
    {
        $before = -1;
        $same = 0;
        for ($try = 0; $try < 200 && $same < 4; $try++) {
            usleep(50_000);
            $now = $this->browser->executeScript(
                'return document.querySelector("[aria-busy=true], .is-waiting") || document.readyState !== "complete"'
                .' ? -1 : document.querySelectorAll("#long .card").length',
            );
            $same = $now === $before && $now !== -1 ? $same + 1 : 0;
            $before = $now;
        }
    }

    /** @return list<string> titles, in order */
    private function cards(): array
    {
        return array_values((array) $this->browser->executeScript(
            'return [...document.querySelectorAll("#long .card .title")].map((one) => one.innerText)',
        ));
    }

    /** @return list<string> titles of the whole answer: the pages that the server gives to an address, one by one */
    private function answer(string $address): array
    {
        if (isset($this->answers[$address])) {
            return $this->answers[$address];
        }
        $client = new WebClient((string) getenv('SITE_URL'));
        $titles = [];
        for ($page = 1; $page < 20; $page++) {
            $asks = $page === 1 ? '' : (str_contains($address, '?') ? '&' : '?')."long-page={$page}";
            $answer = $client->get($address.$asks);
            if ($answer['status'] !== 200) {
                break;
            }
            $document = new \DOMDocument;
            @$document->loadHTML('<?xml encoding="utf-8"?>'.$answer['body']);
            $found = (new \DOMXPath($document))->query(
                '//*[@id="long"]//li//*[contains(concat(" ", @class, " "), " title ")]',
            );
            foreach ($found ?: [] as $title) {
                $titles[] = trim((string) $title->nodeValue);
            }
        }

        return $this->answers[$address] = $titles;
    }
}
