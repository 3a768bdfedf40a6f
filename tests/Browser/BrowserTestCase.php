<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\People\DemoAccounts;
use Database\Seeders\Demo\DemoSite;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;
use Tests\Support\Artisan;
use Tests\Support\WebClient;

/** A real Chromium before the application as bin/test serves it, the demo site loaded. */
abstract class BrowserTestCase extends TestCase
{
    /** `onItsWay` is the number of requests by script whose answers are not complete. */
    private const COUNT_REQUESTS = <<<'JS'
        window.onItsWay = 0;
        const ask = window.fetch;
        window.fetch = async (...asked) => {
            window.onItsWay++;
            const end = () => { window.onItsWay--; };
            try {
                const answer = await ask(...asked);
                void answer.clone().arrayBuffer().then(end, end);
                return answer;
            } catch (fault) {
                end();
                throw fault;
            }
        };
        JS;

    /** Seconds that something may take to come on a machine that has other work to do. */
    private const PATIENCE = 45;

    protected RemoteWebDriver $browser;

    private static ?RemoteWebDriver $opened = null;

    /** One Chromium for all, as new before each test: no cookies, nothing kept, one window. */
    protected function setUp(): void
    {
        $this->browser = self::$opened ??= self::open();
        // A page of the site's, which asks nobody who they are.
        $this->visit('/search');
        $this->browser->executeScript('localStorage.clear(); sessionStorage.clear()');
        $this->browser->manage()->deleteAllCookies();
        $this->browser->manage()->getLog('browser');
        $this->width(1280);
    }

    protected function tearDown(): void
    {
        $windows = $this->browser->getWindowHandles();
        foreach (array_slice($windows, 1) as $window) {
            $this->browser->switchTo()->window($window)->close();
        }
        $this->browser->switchTo()->window($windows[0]);
        // What is still on its way ends here, before the next test begins as nobody.
        $this->browser->get('about:blank');
        usleep(100_000);
    }

    private static function open(): RemoteWebDriver
    {
        $profile = sys_get_temp_dir().'/wellspring-browser-'.bin2hex(random_bytes(6));
        $options = new ChromeOptions;
        $options->setBinary('/usr/bin/chromium');
        $options->addArguments([
            '--headless',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--window-size=1280,900',
            "--user-data-dir={$profile}",
        ]);
        $wanted = DesiredCapabilities::chrome();
        $wanted->setCapability(ChromeOptions::CAPABILITY, $options);
        $wanted->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $browser = RemoteWebDriver::create(self::env('DRIVER_URL'), $wanted, 20_000, 60_000);
        register_shutdown_function(function () use ($browser, $profile): void {
            $browser->quit();
            exec('rm -rf '.escapeshellarg($profile));
        });
        $command = ['cmd' => 'Page.addScriptToEvaluateOnNewDocument', 'params' => ['source' => self::COUNT_REQUESTS]];
        $browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', $command);

        return $browser;
    }

    /** Waits until every answer that the page has asked for by script is there, and has been drawn. */
    protected function answered(): void
    {
        $this->await('an answer does not come', fn (): ?bool => $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[0];
            const look = (times) => requestAnimationFrame(() => {
                if (window.onItsWay > 0) {
                    done(null);
                } else if (times === 0) {
                    done(true);
                } else {
                    setTimeout(() => look(times - 1));
                }
            });
            look(5);
            JS));
    }

    /** As the demo's manager; how somebody signs in by the form is a journey of its own. */
    protected function signIn(string $at = '/manage/modules'): void
    {
        $client = new WebClient(self::env('SITE_URL'));
        $client->signIn(DemoSite::EMAIL, DemoAccounts::PASSWORD);
        foreach ($client->cookies() as $name => $value) {
            $cookie = ['name' => $name, 'value' => $value, 'path' => '/', 'httpOnly' => true];
            $this->browser->manage()->addCookie($cookie);
        }
        $this->visit($at);
        if ($at === '/manage/modules') {
            $this->sees('Each is set up once');
        }
    }

    /**
     * Publishes a definition by the command line.
     *
     * @param  'modules'|'pages'  $what
     * @param  array<string, mixed>  $definition  without its format
     */
    protected function apply(string $what, array $definition): void
    {
        Artisan::apply($what, $definition);
    }

    protected function visit(string $path): void
    {
        $this->browser->get(self::env('SITE_URL').$path);
    }

    /** @param  array<string, mixed>  $parameters  of the command of the DevTools protocol */
    protected function devTools(string $command, array $parameters = []): void
    {
        $this->browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => $command, 'params' => (object) $parameters,
        ]);
    }

    protected function width(int $width): void
    {
        $this->browser->manage()->window()->setSize(new WebDriverDimension($width, 900));
    }

    /** The first element that is shown, waited for. */
    protected function find(string $css): RemoteWebElement
    {
        return $this->findText($css, '');
    }

    /**
     * The first element of the kind that is shown and whose text holds the words, waited for; looked for in the page
     * itself, at one go. In the bench's text it is waited for until the text says what the last edit made of it: what
     * comes late moves what stands below, as a person sees before they click.
     */
    protected function findText(string $css, string $words): RemoteWebElement
    {
        $shown = <<<'JS'
            const text = (one) => one.matches("option") ? one.textContent : one.innerText ?? "";
            return [...document.querySelectorAll(arguments[0])].find((one) => {
                const drawn = one.matches("option, optgroup") ? one.closest("select") : one;
                return drawn && !drawn.closest("[data-updating]") && drawn.getClientRects().length > 0
                    && getComputedStyle(drawn).visibility === "visible" && text(one).includes(arguments[1]);
            });
            JS;

        $otherwise = $words === '' ? "nothing shown fits {$css}" : "no {$css} says “{$words}”";

        return $this->awaited($otherwise, $shown, [$css, $words]);
    }

    /**
     * What a script finds in the page, waited for.
     *
     * @param  list<string>  $arguments
     */
    private function awaited(string $otherwise, string $script, array $arguments): RemoteWebElement
    {
        return $this->await($otherwise, function () use ($otherwise, $script, $arguments): ?RemoteWebElement {
            $found = $this->browser->executeScript($script, $arguments);

            return is_array($found)
                ? new FoundElement(
                    new RemoteExecuteMethod($this->browser),
                    (string) reset($found),
                    true,
                    fn (): RemoteWebElement => $this->awaited($otherwise, $script, $arguments),
                )
                : null;
        });
    }

    /** Puts the module at hand on the page with that address, and publishes it. */
    protected function publishOn(string $address): void
    {
        $this->findText('button', 'on no page')->click();
        $this->findText('[role=dialog] label', $address)->click();
        $this->sees('once the page is published');
        $this->findText('[role=status] button', 'Publish')->click();
        $this->sees('is published.');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->sees('every change kept');
        $this->findText('main button.btn-secondary, #manage button.btn-secondary', 'Publish')->click();
        $this->findText('button', 'Published');
    }

    /** Takes a field out of what the page of each garden plot shows, as is needed before the field can go. */
    protected function hideOnPlotPage(string $field): void
    {
        $this->visit('/manage/pages/plot');
        $this->findText('section[aria-label="Plan"] button', 'Rent a year')->click();
        $this->findText('[role=dialog] button.chip', $field)->click();
        $this->keys(WebDriverKeys::ESCAPE);
        $this->sees('every change kept');
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');
    }

    /** @return list<string> the titles that a module shows on the page at hand */
    protected function titles(string $key): array
    {
        $this->find("#{$key}");

        return $this->browser->executeScript(
            'return [...document.querySelectorAll("#" + arguments[0] + " .title")].map(t => t.textContent.trim())',
            [$key],
        );
    }

    /** Makes a module from one of the starting sentences and opens its bench. */
    protected function newModule(string $name, string $sentence): void
    {
        $this->findText('button', 'New module')->click();
        $this->findText('label', $sentence)->click();
        $this->find('[aria-label="Name of the new module"]')->sendKeys([
            WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL,
            $name,
        ]);
        $this->findText('button', 'Create')->click();
        $this->sees('When nothing is left');
    }

    /** Finds a field by typing its name, and takes it. */
    protected function pickField(string $label, string $field): void
    {
        $box = $this->find("[aria-label$=\"{$label}\"]");
        $box->click();
        $box->sendKeys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, $field]);
        $this->awaited(
            "no field is called {$field}",
            'return [...document.querySelectorAll("[role=option]")].find((one) => one.getClientRects().length > 0 '
                .'&& one.innerText.trim() === arguments[0])',
            [$field],
        )->click();
    }

    /** Goes on by the Tab key until what has the focus fits, and says the words where some are given. */
    protected function tabTo(string $css, string $words = ''): void
    {
        // Once it is reached, the page takes no further Tab: so several are sent at a time.
        $this->browser->executeScript(<<<'JS'
            window.soughtByTab = arguments;
            window.isReachedByTab = document.activeElement.matches(arguments[0])
                && document.activeElement.textContent.includes(arguments[1]);
            if (!window.watchesTab) {
                window.watchesTab = true;
                window.addEventListener("focusin", () => {
                    const [css, words] = window.soughtByTab ?? [];
                    const one = document.activeElement;
                    window.isReachedByTab ||= css !== undefined && one.matches(css) && one.textContent.includes(words);
                }, true);
                window.addEventListener("keydown", (event) => {
                    if (event.key === "Tab" && window.isReachedByTab) {
                        event.preventDefault();
                        event.stopImmediatePropagation();
                    }
                }, true);
            }
            JS, [$css, $words]);
        $tab = [
            ['type' => 'keyDown', 'value' => WebDriverKeys::TAB], ['type' => 'keyUp', 'value' => WebDriverKeys::TAB],
        ];
        for ($i = 0; $i < 40; $i++) {
            // The keys themselves, as from a keyboard, wherever the focus is just then.
            $this->browser->executeCustomCommand('/session/:sessionId/actions', 'POST', ['actions' => [
                ['type' => 'key', 'id' => 'keyboard', 'actions' => array_merge(...array_fill(0, 10, $tab))],
            ]]);
            $script = 'const is = window.isReachedByTab; if (is) { window.soughtByTab = undefined; '
                .'window.isReachedByTab = false; } return is;';
            if ($this->browser->executeScript($script) === true) {
                return;
            }
        }
        $this->fail(
            "{$css} {$words} is not reached by Tab; the focus is on "
                .$this->browser->executeScript('return document.activeElement.outerHTML.slice(0, 200)'),
        );
    }

    /**
     * To what has the focus, which may be drawn anew just then.
     *
     * @param  string|list<string>  $keys
     */
    protected function keys(string|array $keys): void
    {
        $this->await('no key is taken', function () use ($keys): bool {
            $this->browser->switchTo()->activeElement()->sendKeys($keys);

            return true;
        });
    }

    /** Replaces what stands in a field. */
    protected function type(string $css, string $text): void
    {
        $this->find($css)->sendKeys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, $text]);
    }

    protected function value(string $css): string
    {
        return (string) $this->find($css)->getAttribute('value');
    }

    /** The control of an item's field, opened in its line. */
    protected function openValue(string $field): RemoteWebElement
    {
        return $this->awaited("{$field} does not open", <<<'JS'
            const control = document.getElementById(`field-${arguments[0]}`);
            if (!control) {
                document.getElementById(`value-${arguments[0]}`)?.click();
            }
            return control;
            JS, [$field]);
    }

    /** Opens an item's field and replaces what stands in it. */
    protected function enter(string $field, string $text): void
    {
        $this->openValue($field)->sendKeys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, $text]);
    }

    /** Opens an item's field and takes one of its choices. */
    protected function take(string $field, string $choice): void
    {
        $this->openValue($field);
        $this->choose("#field-{$field}", $choice);
    }

    /**
     * What an item's fields say in their lines.
     *
     * @return list<string>
     */
    protected function said(string ...$fields): array
    {
        $said = fn (string $field): string => $this->find("#value-{$field}")->getText();

        return array_map($said, array_values($fields));
    }

    protected function choose(string $css, string $value): void
    {
        $this->find($css.' option[value="'.$value.'"]')->click();
    }

    /** Waits until the page's text holds the words. */
    protected function sees(string $words, string $in = 'body'): void
    {
        $this->await(
            "“{$words}” is not on the page",
            fn (): ?bool => $this->browser->executeScript(
                'return [...document.querySelectorAll(arguments[0])].some((one) => one.getClientRects().length > 0 && '
                    .'one.innerText.includes(arguments[1]))',
                [$in, $words],
            ) ?: null,
        );
        $this->addToAssertionCount(1);
    }

    /** Waits until what visitors get, in the bench's frame, fits. */
    protected function previewShows(string ...$titles): void
    {
        $script = 'return [...document.querySelector("iframe").contentDocument.querySelectorAll("#" + '
            .'location.pathname.split("/").pop() + " .title")].map(t => t.textContent.trim())';
        $this->await(
            'the page in the frame does not show '.implode(', ', $titles),
            fn (): ?bool => $this->browser->executeScript($script) === $titles ?: null,
        );
        $this->addToAssertionCount(1);
    }

    /** Drags with real mouse events: the browser starts dragging with nothing else. */
    protected function drag(string $from, string $to): void
    {
        [$start, $end] = array_map(fn (string $css) => $this->find($css)->getLocation(), [$from, $to]);
        $mouse = fn (
            string $type,
            float $part,
            bool $held = true,
        ) => $this->browser->executeCustomCommand(
            '/session/:sessionId/chromium/send_command_and_get_result',
            'POST',
            ['cmd' => 'Input.dispatchMouseEvent', 'params' => [
                'type' => $type, 'button' => $held ? 'left' : 'none', 'buttons' => (int) $held, 'clickCount' => 1,
                'x' => $start->getX() + 6 + $part * ($end->getX() - $start->getX()),
                'y' => $start->getY() + 8 + $part * ($end->getY() - $start->getY()),
            ]],
        );
        $mouse('mouseMoved', 0, false);
        $mouse('mousePressed', 0);
        // The place accepts the drag only at the second move over it.
        foreach ([...range(1, 10), 10, 10] as $tenths) {
            $mouse('mouseMoved', $tenths / 10);
            usleep(60_000);
        }
        $mouse('mouseReleased', 1);
    }

    /** Drags by keyboard: Enter on the grip, Tab to the place, Enter. */
    protected function dragByKeys(string $what, string $to): void
    {
        $this->find("[aria-label=\"Drag {$what}\"]")->sendKeys(WebDriverKeys::ENTER);
        $this->await("{$to} takes nothing", function () use ($to): ?bool {
            $this->keys(WebDriverKeys::TAB);

            return $this->browser->executeScript('return document.activeElement.matches(arguments[0])', [$to]) ?: null;
        });
        $this->keys(WebDriverKeys::ENTER);
    }

    /**
     * Nothing of the kind “error” stands in the browser's console.
     *
     * @param  list<string>  $but  what an error may say that belongs to the journey
     */
    protected function assertQuietConsole(array $but = []): void
    {
        $errors = array_filter(
            $this->browser->manage()->getLog('browser'),
            fn (array $entry): bool => $entry['level'] === 'SEVERE' && array_filter(
                $but,
                fn (string $words): bool => str_contains($entry['message'], $words),
            ) === [],
        );
        $this->assertSame([], array_column($errors, 'message'));
    }

    /** No breach of WCAG 2.2 A and AA that axe-core finds, when what changes colour has changed it. */
    protected function assertAccessible(string $what): void
    {
        $this->assertAxe(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], $what);
    }

    /** Every text that axe-core can judge has the contrast that WCAG 2.2 AA asks for. */
    protected function assertContrast(string $what): void
    {
        $this->assertAxe(['color-contrast'], $what);
    }

    /**
     * Sticky bars are laid out in the flow meanwhile: which controls they cover depends on the scroll position.
     *
     * @param  list<string>  $rules  of axe-core, or tags of its rules
     */
    private function assertAxe(array $rules, string $what): void
    {
        if ($this->browser->executeScript('return window.axe === undefined')) {
            $this->browser->executeScript(
                (string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'),
            );
        }
        $found = $this->browser->executeAsyncScript(
            'const done = arguments[1];'
            .'const sticky = [...document.querySelectorAll("*")]'
                .'.filter(one => getComputedStyle(one).position === "sticky");'
            .'sticky.forEach(one => { one.style.position = "static"; });'
            .'const ends = (move) => move.effect?.getComputedTiming().endTime < Infinity;'
            .'Promise.allSettled(document.getAnimations().filter(ends).map(move => move.finished))'
            .'.then(() => axe.run(document, { iframes: false, runOnly: arguments[0] }))'
            .'.then(r => done(r.violations.map(v => v.id + ": " + v.nodes.map(n => n.target.join(" ") + " — " + '
                .'n.failureSummary).slice(0, 4).join(" | "))))'
            .'.catch(e => done(["axe failed: " + e]))'
            .'.finally(() => sticky.forEach(one => { one.style.position = ""; }));',
            [$rules],
        );
        $this->assertSame([], $found, $what);
    }

    /**
     * @template T
     *
     * @param  \Closure(): (T|null)  $look
     * @return T
     */
    protected function await(string $otherwise, \Closure $look): mixed
    {
        $until = microtime(true) + self::PATIENCE;
        do {
            try {
                $found = $look();
                if ($found !== null) {
                    return $found;
                }
            } catch (StaleElementReferenceException|ElementNotInteractableException) {
                // The screen was drawn anew in between; look again.
            }
            usleep(50_000);
        } while (microtime(true) < $until);
        $shown = $this->browser->executeScript('return (document.querySelector("main") ?? document.body).innerText');
        $this->fail(sprintf(
            '%s at %s, which shows: %s',
            $otherwise,
            $this->browser->getCurrentURL(),
            mb_strimwidth(is_string($shown) ? (string) preg_replace('/\s+/', ' ', $shown) : '', 0, 1000, '…'),
        ));
    }

    protected static function env(string $name): string
    {
        return getenv($name) ?: throw new \RuntimeException("{$name} is not set; bin/test --suite Browser sets it.");
    }

    /**
     * Asks the application as the manage screen at hand does.
     *
     * @param  array<string, mixed>|null  $body
     * @return array<string, mixed> its answer
     */
    protected function ask(string $method, string $path, ?array $body = null): array
    {
        return (array) $this->browser->executeAsyncScript(<<<'JS'
            const [method, path, body, done] = arguments;
            const headers = {
                "Content-Type": "application/json",
                Accept: "application/json",
                "X-CSRF-TOKEN": document.querySelector("meta[name=csrf-token]").content,
            };
            fetch("/manage/api" + path, { method, headers, body: body === null ? null : JSON.stringify(body) })
                .then((answer) => answer.json())
                .then(done, (fault) => done({ fault: String(fault) }));
            JS, [$method, $path, $body]);
    }
}
