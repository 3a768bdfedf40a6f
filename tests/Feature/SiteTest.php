<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Group;
use App\Models\Item;
use App\Models\Page;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\DB;
use Tests\Support\Garden;

/** What visitors get. */
final class SiteTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        foreach (range(1, 5) as $n) {
            $this->plant([
                'title' => "Plant {$n}",
                'price' => $n,
                'publish_at' => '2026-01-01',
                'text' => "<p>About {$n}<script>alert(1)</script> <a href=\"javascript:alert(1)\" "
                    .'onclick="x()">more</a></p>',
            ]);
        }
        $store = app(ModuleStore::class);
        $row = $store->publish($store->apply($store->read([
            'format' => 1, 'key' => 'plants', 'name' => 'All plants', 'source' => ['items' => ['plant']],
            'where' => ['all' => [['field' => 'price', 'test' => 'lte', 'value' => 9]]],
            'order' => [['by' => 'price']], 'page' => ['mode' => 'numbered', 'size' => 2],
            'whenNothing' => ['do' => 'say', 'text' => 'Come back <later>.'],
        ])));
        $this->stand($row, $this->pageAt('/garden'));
    }

    public function test_a_page_shows_its_module_and_pages_through_it_without_scripts(): void
    {
        $this->get('/garden')
            ->assertOk()
            ->assertSeeInOrder(['All plants', 'Plant 1', 'Plant 2', 'garden?plants-page=2', 'Next'])
            ->assertDontSee('Plant 3')
            ->assertDontSee('/assets/more-', false);
        $this->get('/garden?plants-page=3')
            ->assertOk()
            ->assertSee('Plant 5')
            ->assertDontSee('Plant 4')
            ->assertDontSee('>Next<', false);
        $this->get('/garden?other=1&plants-page=1')->assertRedirect('/garden?other=1')->assertStatus(301);
        foreach (['0', '-1', 'x', '1000000000', '4', '02', '', '%FF', '%00'] as $wrong) {
            $this->get('/garden?plants-page='.$wrong)->assertNotFound();
        }
        $this->get('/garden?plants-page[]=2')->assertNotFound();
        $this->assertSame([], $this->get('/garden')->headers->getCookies(), 'visitors need no session');
    }

    public function test_the_page_is_right_on_the_next_request_after_any_change_of_content(): void
    {
        $this->plant(['title' => 'Newcomer', 'price' => 0.5, 'publish_at' => '2026-01-01']);
        $this->get('/garden')->assertSeeInOrder(['Newcomer', 'Plant 1'])->assertDontSee('Plant 2');
        foreach ([
            ['status' => 'draft'],
            ['publish_at' => now()->addHour()],
            ['publish_at' => now()->subDay(), 'status' => 'published', 'expire_at' => now()->subSecond()],
            ['expire_at' => null, 'audience' => 'members'],
        ] as $change) {
            Item::query()->where('slug', 'newcomer')->firstOrFail()->update($change);
            $this->get('/garden')->assertDontSee('Newcomer');
            $this->get('/plants/newcomer')->assertNotFound();
        }
        Item::query()->where('slug', 'newcomer')->firstOrFail()->update(['audience' => 'everyone']);
        $this->get('/garden')->assertSee('Newcomer');
        Item::query()->delete();
        $this->get('/garden')->assertOk()->assertSee('Come back <later>.');
    }

    public function test_an_items_own_page_shows_it_made_safe(): void
    {
        $this->get('/plants/plant-3')->assertOk()->assertSee('Plant 3')->assertSee('£3.00')->assertSee('About 3')
            ->assertDontSee('alert(1)')->assertDontSee('javascript:', false)->assertDontSee('onclick', false);
        foreach (['/plants/none', '/plants/', '/nowhere', '/plants/plant-3/more'] as $nowhere) {
            $this->get($nowhere)->assertNotFound()->assertSee('There is nothing at this address');
        }
    }

    public function test_a_draft_is_never_shown_and_a_module_that_can_no_longer_be_read_leaves_the_page_standing(): void
    {
        $store = app(ModuleStore::class);
        $row = $store->find('plants') ?? $this->fail();
        $store->saveDraft($row, ['name' => 'Half done'] + $row->draft, $row->revision);
        $this->get('/garden')->assertSee('All plants')->assertDontSee('Half done');
        $row->refresh()->forceFill(['live' => ['order' => [['by' => 'gone']]] + (array) $row->live])->save();
        $this->get('/garden')->assertOk()->assertSee('All plants');
        DB::table('module_versions')->delete();
        $this->get('/garden')->assertOk()->assertSee('Garden')->assertDontSee('All plants');
    }

    public function test_what_visitors_choose_stands_in_the_address_and_in_every_link(): void
    {
        $store = app(ModuleStore::class);
        $row = $store->find('plants') ?? $this->fail();
        $filter = ['field' => 'price', 'as' => 'range'];
        $store->publish($store->apply($store->read([
            'offer' => ['key' => 'shade', 'filters' => [$filter], 'sizes' => [3]],
        ] + $row->draft)));
        $other = $store->publish($store->apply($store->read([
            'key' => 'others', 'name' => 'Others', 'offer' => ['follow' => 'shade'], 'page' => ['size' => 50],
        ] + $row->draft)));
        $this->stand($other, Page::query()->where('address', '/garden')->firstOrFail());

        $listed = fn (string $query): array => array_map(
            fn (string $section): array => preg_match_all('/>Plant \d</', $section, $found) > 0 ? $found[0] : [],
            array_slice(explode('<section', (string) $this->get("/garden?{$query}")->assertOk()->getContent()), 1),
        );
        $named = fn (int ...$numbers): array => array_map(fn (int $n): string => ">Plant {$n}<", $numbers);
        $this->assertSame([$named(3, 4), $named(3, 4, 5)], $listed('shade-price=3..5'));
        $this->assertSame([$named(3, 4, 5), $named(3, 4, 5)], $listed('shade-price=3..5&shade-size=3'));
        $this->assertSame([$named(5), $named(3, 4, 5)], $listed('shade-price=3..5&plants-page=2'));
        $this->get('/garden?utm=x&plants-page=2&shade-price=3.0..6')
            ->assertSee('garden?shade-price=3..6#plants', false)
            ->assertDontSee('utm=');
        $all = $listed('');
        foreach (['shade-price[]=3..5', 'shade-price=%00', 'shade-price=5..3', 'shade-size=4', 'x=%FF'] as $rubbish) {
            $this->assertSame($all, $listed($rubbish), "{$rubbish} says nothing");
        }
        $this->get('/garden?shade-price=3..5&plants-page=3')->assertNotFound();
    }

    public function test_every_way_of_paging_is_links_and_headings_stand_over_their_records(): void
    {
        $store = app(ModuleStore::class);
        $row = $store->find('plants') ?? $this->fail();
        foreach ([
            'olderNewer' => ['plants-page=2', '>Older<'],
            'more' => ['data-more="plants"', '>More<'],
            'continuous' => ['data-loads="3"', '>More<'],
        ] as $mode => $seen) {
            $store->publish($store->apply($store->read(['page' => ['mode' => $mode, 'size' => 2]] + $row->draft)));
            $page = $this->get('/garden')->assertSeeInOrder(['Plant 2', ...$seen], false)->assertDontSee('Plant 3');
            $this->assertSame($mode !== 'olderNewer', str_contains((string) $page->getContent(), '/assets/more-'));
        }
        $store->publish(
            $store->apply(
                $store->read(
                    [
                        'page' => ['mode' => 'fixed', 'size' => 2],
                        'headings' => ['by' => 'publish_at', 'per' => 'month'],
                    ] + $row->draft,
                ),
            ),
        );
        $this->get('/garden')
            ->assertSeeInOrder(['January 2026', '2', 'Plant 1', 'Plant 2'])
            ->assertDontSee('class="pages', false)
            ->assertDontSee('Plant 3');
        $this->get('/garden?plants-page=2')->assertNotFound();
    }

    public function test_whoever_has_signed_in_sees_what_is_for_them_and_others_get_no_session(): void
    {
        Group::query()->create(['key' => 'friends', 'name' => 'Friends']);
        foreach ([
            'Open' => 'everyone',
            'Inside' => 'members',
            'Among friends' => 'group:friends',
            'Outside' => 'signed-out',
        ] as $title => $audience) {
            $this->plant(['title' => $title, 'publish_at' => '2026-01-01', 'audience' => [$audience]]);
        }
        $store = app(ModuleStore::class);
        $page = $this->pageAt('/for-whom', 'For whom');
        $this->placeOn($page, Garden::module(['order' => [['by' => 'title']]]));
        $seen = function (array $cookies = []): array {
            $this->app->forgetScopedInstances();
            $this->app['auth']->forgetGuards();
            $answer = $this->withUnencryptedCookies($cookies)->get('/for-whom')->assertOk();
            preg_match_all('~>(Open|Inside|Among friends|Outside)<~', (string) $answer->getContent(), $titles);

            return [$titles[1], $answer->headers->getCookies() !== []];
        };
        $this->assertSame([['Open', 'Outside'], false], $seen());
        $member = User::query()->create(['name' => 'Bea', 'email' => 'bea@example.org', 'role' => 'member']);
        $session = config()->string('session.cookie');
        $this->actingAs($member);
        $this->assertSame(['Inside', 'Open'], $this->asMember($member, $session));
        $member->groups()->sync(Group::query()->pluck('id'));
        $this->assertSame(['Among friends', 'Inside', 'Open'], $this->asMember($member, $session));
        $member->update(['active' => false]);
        $this->assertSame(['Open', 'Outside'], $this->asMember($member, $session));
    }

    /** Authors go on with their work from a page; for all others the block, its slot and its band are not there. */
    public function test_a_block_for_authors_shows_to_those_who_write_and_takes_no_place_for_others(): void
    {
        $this->publishPage(['key' => 'desk', 'address' => '/desk', 'title' => 'Desk', 'bands' => [
            ['key' => 'writing', 'slots' => [
                ['share' => 12, 'blocks' => [['block' => 'forAuthors', 'types' => ['plant', 'gone']]]],
            ]],
        ]]);
        $people = [];
        foreach (['manager', 'author', 'member'] as $role) {
            $people[$role] = User::query()->create([
                'name' => $role, 'email' => "{$role}@example.org", 'password' => 'a long password', 'role' => $role,
            ])->refresh();
        }
        $this->plant(['title' => 'Half written', 'status' => 'draft', 'author' => 'author@example.org']);
        $this->plant(['title' => 'By the keeper', 'status' => 'draft', 'author' => 'manager@example.org']);
        $this->plant(['title' => 'For spring', 'publish_at' => '2099-03-01', 'author' => 'author@example.org']);
        $seen = function (?string $role) use ($people): string {
            $this->app->forgetScopedInstances();
            if ($role !== null) {
                $this->actingAs($people[$role]);
                $this->withUnencryptedCookie(config()->string('session.cookie'), "of {$role}");
            }

            return (string) $this->get('/desk')->assertOk()->getContent();
        };
        foreach ([
            [null, []], ['member', []],
            ['author', ['My drafts', 'Half written', 'Published later', 'For spring']],
            ['manager', [
                'Edit this page', 'My drafts', 'By the keeper', 'Published later', 'For spring', 'Drafts of others',
                'Half written',
            ]],
        ] as [$role, $words]) {
            $html = $seen($role);
            $all = [
                'Edit this page', 'My drafts', 'By the keeper', 'Published later', 'For spring', 'Drafts of others',
                'Half written',
            ];
            $this->assertEqualsCanonicalizing(
                $words,
                array_values(array_filter($all, fn (string $one): bool => str_contains($html, ">{$one}<"))),
                (string) $role,
            );
            $this->assertSame($words !== [], str_contains($html, '/manage/content/plant/new'), (string) $role);
            $this->assertSame($words !== [], str_contains($html, 'data-band="writing"'), (string) $role);
        }
    }

    /** @return list<string> */
    private function asMember(User $member, string $session): array
    {
        $this->app->forgetScopedInstances();
        $this->actingAs($member->refresh());
        $answer = $this->withUnencryptedCookie($session, 'brought along')->get('/for-whom')->assertOk();
        $this->assertStringContainsString('private', (string) $answer->headers->get('Cache-Control'));
        preg_match_all('~>(Open|Inside|Among friends|Outside)<~', (string) $answer->getContent(), $titles);

        return $titles[1];
    }
}
