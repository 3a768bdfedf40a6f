<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\People\DemoAccounts;
use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverBy;

/**
 * What a manager types is kept: however long it is, without a connection, with the tab closed, and with the session
 * ended.
 */
final class NothingLostTest extends BrowserTestCase
{
    public function test_a_long_text_is_kept_offline_for_a_moment_and_with_the_tab_closed(): void
    {
        $this->signIn();
        $id = $this->item('post');
        $this->visit("/manage/content/post/{$id}");
        $this->write(str_repeat('<p>A long walk along the hedge, told word by word.</p>', 6000));
        $this->sees('Draft kept');
        $this->await(
            'the server has no long draft',
            fn (): ?bool => strlen(
                (string) ($this->fetch("/items/{$id}")['draft']['values']['text'] ?? ''),
            ) > 300_000 ?: null,
        );

        $this->offline(true);
        $this->type('#field-title', 'Written without a connection');
        $this->sees('no connection');
        $this->offline(false);
        $this->await(
            'what was typed offline is not kept',
            fn (): ?bool => (
                $this->fetch("/items/{$id}")['draft']['values']['title'] ?? ''
            ) === 'Written without a connection' ?: null,
        );

        // The tab is closed while the connection is away; what was typed last has reached nobody.
        $this->offline(true);
        $this->type('#field-title', 'Typed just before the tab was closed');
        $this->sees('no connection');
        $this->reopen();
        $this->visit("/manage/content/post/{$id}");
        $this->bringBack('This browser still has what you typed', fn (): bool => (
            $this->fetch("/items/{$id}")['draft']['values']['title'] ?? null
        ) === 'Typed just before the tab was closed');
        $this->await(
            'it is not brought back',
            fn (): ?bool => $this->value('#field-title') === 'Typed just before the tab was closed' ?: null,
        );
        $this->find('.form-bar button[type=submit]')->click();
        $this->sees('Saved ');
        $now = $this->fetch("/items/{$id}");
        $this->assertSame(['Typed just before the tab was closed', null], [$now['values']['title'], $now['draft']]);
        $this->assertGreaterThan(300_000, strlen((string) $now['values']['text']));
        $this->visit("/manage/content/post/{$id}");
        $this->find('#field-title');
        $this->assertFalse(
            $this->browser->executeScript('return document.body.innerText.includes("This browser still has")'),
            'what was saved is not offered again',
        );
        $this->assertQuietConsole(['ERR_INTERNET_DISCONNECTED']);
    }

    public function test_a_large_module_is_kept_and_published_and_a_change_made_offline_comes_back(): void
    {
        $this->signIn('/manage/modules');
        $this->newModule('Many words', 'The newest posts');
        $key = basename((string) parse_url((string) $this->browser->getCurrentURL(), PHP_URL_PATH));
        $now = $this->fetch("/modules/{$key}");
        $words = array_map(fn (int $n): string => str_pad("word {$n} ", 280, 'long '), range(1, 280));
        $definition = [
            'where' => ['none' => [['field' => 'title', 'test' => 'anyOf', 'value' => $words]]],
        ] + $now['definition'];
        $this->fetch("/modules/{$key}/draft", 'PUT', ['definition' => $definition, 'revision' => $now['revision']]);
        $this->visit("/manage/modules/{$key}");
        $this->findText('button.word', '12 at a time')->click();
        $this->type('[aria-label="How many at a time"]', '7');
        $this->sees('every change kept');
        $this->await(
            'the change is not kept',
            fn (): ?bool => $this->fetch("/modules/{$key}")['definition']['page']['size'] === 7 ?: null,
        );
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');

        $this->offline(true);
        $this->type('[aria-label="How many at a time"]', '5');
        $this->sees('could not be kept');
        $this->reopen();
        $this->visit("/manage/modules/{$key}");
        $isKept = fn (): bool => $this->fetch("/modules/{$key}")['definition']['page']['size'] === 5;
        $this->bringBack('It did not reach the server', $isKept);
        $this->await('the change does not come back', fn (): ?bool => $isKept() ?: null);
    }

    public function test_who_was_signed_out_signs_in_again_where_they_are(): void
    {
        $this->signIn();
        $id = $this->item('post');
        $this->visit("/manage/content/post/{$id}");
        $this->find('#field-title');
        $this->type('#field-title', 'Typed while signed out');
        // An answer that is still on its way may set a cookie anew: until one is missed, they are taken away again.
        $this->await('nobody asks to sign in again', function (): ?bool {
            $this->browser->manage()->deleteAllCookies();
            $this->find('#field-title')->sendKeys('!');
            for ($until = microtime(true) + 2; microtime(true) < $until; usleep(50_000)) {
                if ($this->browser->findElements(WebDriverBy::cssSelector('[role=dialog]')) !== []) {
                    return true;
                }
            }

            return null;
        });
        $typed = $this->value('#field-title');
        $this->sees('You are signed out');
        $this->assertAccessible('signing in again');
        $this->find('[role=dialog] input[type=password]')->sendKeys('not the password');
        $this->findText('[role=dialog] button', 'Sign in')->click();
        $this->sees('do not belong together');
        $this->type('[role=dialog] input[type=password]', DemoAccounts::PASSWORD);
        $this->findText('[role=dialog] button', 'Sign in')->click();
        $this->await('the question stays open', fn (): ?bool => $this->browser->findElements(
            WebDriverBy::cssSelector('[role=dialog]'),
        ) === [] ? true : null);
        $this->sees('Draft kept');
        $this->assertSame($typed, $this->value('#field-title'));
        $this->find('.form-bar button[type=submit]')->click();
        $this->sees('Saved ');
        $this->findText('button', 'Sign out')->click();
        $this->find('[name=email]');
        $this->assertQuietConsole(['401', '419', '422']);
    }

    /** A fault of the server or of the connection leaves no screen empty, and each can be tried again. */
    public function test_no_screen_stays_empty_when_its_data_do_not_come(): void
    {
        $this->signIn();
        $screens = [
            '/manage/modules',
            '/manage/modules/plants-for-shade',
            '/manage/content/post',
            "/manage/content/post/{$this->item('post')}",
            '/manage/types',
            '/manage/types/post',
            '/manage/terms/groups',
            '/manage/files',
            '/manage/people',
            '/manage/people/audit',
        ];
        $tools = new ChromeDevToolsDriver($this->browser);
        foreach ($screens as $screen) {
            $tools->execute('Network.enable');
            // All but the first answer, which every screen needs, is kept from coming.
            $tools->execute(
                'Network.setBlockedURLs',
                [
                    'urls' => array_map(
                        fn (string $what): string => "*/manage/api/{$what}*",
                        ['modules', 'items', 'views', 'types', 'taxonomies', 'media', 'people', 'audit', 'bench'],
                    ),
                ],
            );
            $this->visit($screen);
            $this->sees('There is no connection to the server');
            $tools->execute('Network.setBlockedURLs', ['urls' => []]);
            $this->findText('button', 'Try again')->click();
            $this->await(
                "{$screen} does not come back",
                fn (): ?bool => $this->browser->executeScript(
                    'return document.body.innerText.includes("There is no connection")',
                ) === false ?: null,
            );
        }
    }

    public function test_every_screen_has_its_title_in_the_tab_and_an_address_without_a_screen_says_so(): void
    {
        $this->signIn();
        foreach ([
            'modules' => 'Modules', 'modules/plants-for-shade' => 'Plants for shade', 'pages' => 'Pages',
            'pages/_frame' => 'The frame', 'content/post' => 'Posts', 'content/post/new' => 'New post',
            'types' => 'Types', 'types/post' => 'Posts', 'terms/groups' => 'Terms', 'files' => 'Files',
            'people' => 'People', 'settings' => 'Site settings', 'account' => 'Marigold',
            'content/post/by-hand' => 'Posts by hand', 'people/audit' => 'Activity',
            'moduls' => 'There is no screen at this address',
        ] as $screen => $title) {
            $this->visit("/manage/{$screen}");
            $this->await(
                "the tab of {$screen} does not say “{$title}”",
                fn (): ?bool => str_starts_with($this->browser->getTitle(), $title) ?: null,
            );
        }
        $this->sees('/manage/moduls leads nowhere');
        $this->findText('a', 'Go to the first screen')->click();
        $this->sees('Modules', 'h1');
    }

    /** @return int the id of an item that others do not use */
    private function item(string $type): int
    {
        return (int) $this->fetch(
            '/items',
            'POST',
            ['type' => $type, 'values' => ['title' => 'Kept '.bin2hex(random_bytes(4)), 'status' => 'draft']],
        )['id'];
    }

    /**
     * Asks the manage API as the page at hand would.
     *
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function fetch(string $path, string $method = 'GET', array $body = []): array
    {
        return (array) $this->browser->executeAsyncScript(
            'const [path, method, body, done] = arguments;'
            .'const token = () => fetch("/manage/api/token").then((r) => r.json());'
            .'token().then(({ token }) => fetch("/manage/api" + path, { method, headers: { Accept: '
                .'"application/json", "Content-Type": "application/json", "X-CSRF-TOKEN": token }, body: method === '
                    .'"GET" ? undefined : body }))'
            .'.then((r) => r.json()).then(done, (e) => done({ message: String(e) }));',
            [$path, $method, json_encode($body, JSON_THROW_ON_ERROR)],
        );
    }

    private function write(string $html): void
    {
        $this->find('#field-text-text');
        $this->browser->executeScript(
            'document.querySelector("#field-text-text").editor.commands.setContent(arguments[0], { emitUpdate: true })',
            [$html],
        );
    }

    private function offline(bool $offline): void
    {
        $tools = new ChromeDevToolsDriver($this->browser);
        $tools->execute('Network.enable');
        $tools->execute(
            'Network.emulateNetworkConditions',
            ['offline' => $offline, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1],
        );
    }

    /**
     * What did not reach the server is offered on return. A tab that is closed has its connection again for the moment
     * in which it goes: what it could send then, the server has, and nothing is offered.
     *
     * @param  \Closure(): bool  $isKept  whether the server has it
     */
    private function bringBack(string $offer, \Closure $isKept): void
    {
        $isOffered = $this->await('it is neither offered nor kept', fn (): ?bool => match (true) {
            str_contains((string) $this->browser->executeScript('return document.body.innerText'), $offer) => true,
            $isKept() => false,
            default => null,
        });
        if ($isOffered) {
            $this->assertAccessible('what did not reach the server');
            $this->findText('button', 'Bring it back')->click();
        }
    }

    /** Closes the tab and opens another, with a connection. */
    private function reopen(): void
    {
        $old = $this->browser->getWindowHandle();
        $this->browser->switchTo()->newWindow();
        $new = $this->browser->getWindowHandle();
        $this->browser->switchTo()->window($old)->close();
        $this->browser->switchTo()->window($new);
        $this->offline(false);
    }
}
