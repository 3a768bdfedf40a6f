<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Media\MediaStore;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Models\Term;
use App\Modules\ModuleStore;
use App\Pages\PageQuery;
use App\Pages\PageRemoval;
use App\Pages\PageStore;
use App\Pages\Placements;
use App\Pages\SiteDefinitionStore;
use Database\Seeders\Demo\PlantDrawing;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Support\Garden;
use Wellspring\Core\Page\StarterBodies;
use Wellspring\Core\Problem\Refused;

/** Pages as definitions: addresses, what they are about, for whom, where they were, and what stands around them. */
final class PagesTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        foreach ([
            'Fern' => ['hostas', '2026-05-10', 'everyone'], 'Oak' => ['shrubs', '2026-06-10', 'everyone'],
            'Secret' => ['hostas', '2026-07-10', 'members'],
        ] as $title => [$group, $at, $audience]) {
            $this->plant([
                'title' => $title, 'groups' => [$group], 'publish_at' => $at, 'text' => "<p>About {$title}.</p>",
                'audience' => [$audience], 'light' => $title === 'Oak' ? null : 'shade',
            ]);
        }
        $this->placeOn($this->pageAt('/', 'Home'), Garden::module(['key' => 'of-this-group', 'where' => ['all' => [
            ['field' => 'groups', 'test' => 'anyOf', 'value' => ['from' => 'page', 'take' => 'term'], 'below' => true],
        ]], 'whenNothing' => ['do' => 'leaveOutBand']]));
        $this->publishPage([
            'key' => 'group', 'address' => '/groups/{group}', 'about' => ['term' => 'groups'], 'title' => 'Group',
            'showTitle' => false,
            'bands' => [
                ['key' => 'top', 'slots' => [
                    ['share' => 6, 'blocks' => [['block' => 'breadcrumbs'], ['block' => 'pageTitle']]],
                    ['share' => 4, 'blocks' => [['block' => 'heading', 'text' => 'Members'], ['block' => 'space']],
                        'audience' => ['members']],
                    ['share' => 2, 'blocks' => [['block' => 'pagePicture']]],
                ]],
                ['key' => 'list', 'slots' => [['share' => 12, 'blocks' => [
                    ['block' => 'heading', 'text' => 'What we grow'], ['module' => 'of-this-group'],
                ]]]],
            ],
        ]);
        $this->publishPage([
            'key' => 'plant', 'address' => '/plants/{plant}', 'about' => ['item' => 'plant'], 'title' => 'Plant',
            'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [
                ['block' => 'pageText'],
                ['block' => 'parts', 'card' => ['lines' => [
                    ['parts' => [['part' => 'field', 'field' => 'light', 'label' => 'Light']]],
                    ['parts' => [[
                        'part' => 'field', 'field' => 'height', 'empty' => ['do' => 'say', 'text' => 'Not measured'],
                    ]]],
                ]]],
            ]]]]],
        ]);
        $this->publishPage([
            'key' => 'month', 'address' => '/plants/{month}', 'about' => ['month' => ['plant']], 'title' => 'Month',
        ]);
    }

    public function test_an_address_answers(): void
    {
        foreach ([
            'a term' => ['/groups/hostas', 200, 'group', ['term' => 'groups/hostas']],
            'a term that nothing has' => ['/groups/ferns', 200, 'group', ['term' => 'groups/ferns']],
            'no term' => ['/groups/planets', 404, null, null],
            'an item' => ['/plants/fern', 200, 'plant', ['item' => 'plant/fern']],
            'an item that is not for the viewer' => ['/plants/secret', 404, null, null],
            'the same for a member' => ['/plants/secret', 200, 'plant', ['item' => 'plant/secret']],
            'a month of the same form' => ['/plants/2026-05', 200, 'month', ['month' => '2026-05']],
            'a month that holds nothing' => ['/plants/2026-04', 404, null, null],
            'a month that holds only what is not for the viewer' => ['/plants/2026-07', 404, null, null],
            'upper case is another address' => ['/Groups/hostas', 404, null, null],
            'a slash at the end' => ['/groups/hostas/', 301, null, null],
        ] as $what => [$address, $status, $page, $subject]) {
            $as = $what === 'the same for a member' ? ['--as' => 'members'] : [];
            $said = $this->look($address, $as);
            $this->assertSame([$status, $page, $subject], [$said['status'], $said['page'], $said['subject']], $what);
            // Laravel's test client takes the slash at the end off.
            if ($as === [] && ! str_ends_with($address, '/')) {
                $this->get($address)->assertStatus($status);
            }
        }
    }

    /** Shares 6, 4 and 2: without the picture 36/5 and 24/5; signed out the title's slot has all of it. */
    public function test_what_has_nothing_to_show_gives_way(): void
    {
        $shares = fn (array $said): array => array_map(
            fn (array $band): array => array_column($band['slots'], 'share', null),
            array_column($said['bands'], null, 'key'),
        );
        $this->assertSame(['top' => ['12'], 'list' => ['12']], $shares($this->look('/groups/hostas')));
        $this->assertSame(['top' => ['12']], $shares($this->look('/groups/ferns')), 'the empty module takes its band');
        $member = $this->look('/groups/hostas', ['--as' => 'members']);
        $this->assertSame(['36/5', '24/5'], $shares($member)['top']);
        $this->assertSame(
            ['module' => 'of-this-group', 'total' => 2],
            array_intersect_key($member['bands'][1]['slots'][0]['blocks'][1], ['module' => 0, 'total' => 0]),
        );
        $html = (string) $this->get('/groups/hostas')->assertOk()->getContent();
        $twice = [['module' => 'of-this-group'], ['module' => 'of-this-group']];
        $this->publishPage(['key' => 'twice', 'address' => '/twice/{group}', 'about' => ['term' => 'groups'],
            'title' => 'Twice', 'bands' => [['key' => 'b', 'slots' => [['share' => 12, 'blocks' => $twice]]]]]);
        $this->get('/twice/hostas')->assertSee('id="of-this-group"', false)->assertSee('id="of-this-group-2"', false);
        $this->assertSame(1, substr_count($html, '<h1'), 'the title is the one heading of the first level');
        $this->assertStringContainsString('<h1 class="page-title">Hostas</h1>', $html);
        $this->assertStringNotContainsString('Secret', $html);
        $this->get('/plants/oak')->assertSee('About Oak.')->assertSee('Not measured')->assertDontSee('Light');
        $this->get('/plants/fern')->assertSeeInOrder(['Light', 'Shade']);
        $this->assertContains('taxonomy:groups', $this->look('/groups/ferns')['depends']);
    }

    public function test_an_item_tells_on_which_terms_pages_it_shows(): void
    {
        $this->actingAs($this->manager());
        $fern = $this->plant(['title' => 'Two', 'groups' => ['hostas', 'shrubs'], 'publish_at' => '2026-05-11']);
        $shown = array_column((array) $this->getJson("/manage/api/items/{$fern->id}/shown")->json(), null, 'module');
        $this->assertSame([
            ['title' => 'Hostas', 'address' => '/groups/hostas'],
            ['title' => 'Shrubs', 'address' => '/groups/shrubs'],
        ], $shown['of-this-group']['pages']);
        $this->assertSame(1, $shown['of-this-group']['place']);
    }

    public function test_a_page_that_moved_leaves_a_redirect_until_something_new_takes_its_address(): void
    {
        $store = app(PageStore::class);
        $move = fn (string $to): Page => $this->publishPage(
            ['address' => $to] + array_diff_key($store->find('group')->draft ?? [], ['format' => 0]),
        );
        $move('/kinds/{group}');
        $move('/sorts/{group}');
        $this->get('/groups/hostas?a=b')->assertRedirect('/sorts/hostas?a=b')->assertStatus(301);
        $this->get('/kinds/hostas')->assertRedirect('/sorts/hostas');
        $this->get('/sorts/hostas')->assertOk();
        $this->publishPage(['key' => 'new', 'address' => '/groups/hostas', 'title' => 'All about hostas']);
        $this->get('/groups/hostas')->assertOk()->assertSee('All about hostas');
        $this->get('/groups/shrubs')->assertRedirect('/sorts/shrubs');
        try {
            $this->publishPage(['key' => 'twin', 'address' => '/groups/hostas', 'title' => 'Again']);
            $this->fail('It was published.');
        } catch (Refused $refused) {
            $this->assertSame('address', $refused->problems[0]->path);
        }
        $twin = $store->find('twin') ?? $this->fail('The draft is kept.');
        $this->assertNull($twin->live);
        $module = $this->placeOn($this->pageAt('/a'), Garden::module(['key' => 'm']));
        app(Placements::class)->stand($module, $twin->key, true);
        $this->assertNull($twin->refresh()->live, 'placing a module publishes no page');
        app(PageRemoval::class)->remove($store->find('new') ?? $this->fail('It is there.'));
        $this->get('/groups/hostas')->assertRedirect('/sorts/hostas');
        $store->publish($twin);
        $this->get('/groups/hostas')->assertSee('Again');
        $new = ['format' => 1, 'key' => 'new', 'address' => '/groups/hostas', 'title' => 'All about hostas'];
        $this->assertNull($store->apply($store->read($new))->live, 'what was removed comes back as a draft');
    }

    public function test_items_terms_and_types_that_moved_leave_redirects(): void
    {
        $fern = Item::query()->where('slug', 'fern')->firstOrFail();
        $fern->update(['slug' => 'lady-fern']);
        $fern->update(['slug' => 'lady-of-the-ferns']);
        $this->get('/plants/fern?a=b')->assertRedirect('/plants/lady-of-the-ferns?a=b')->assertStatus(301);
        $this->get('/plants/lady-fern')->assertRedirect('/plants/lady-of-the-ferns');
        Term::query()->where('slug', 'hostas')->update(['slug' => 'plantain-lilies']);
        app(CatalogueStore::class)->forget();
        $this->get('/groups/hostas')->assertRedirect('/groups/plantain-lilies');
        $secret = Item::query()->where('slug', 'secret')->firstOrFail();
        $secret->update(['slug' => 'hidden']);
        $this->get('/plants/secret')->assertNotFound();

        // Until something new takes the address.
        $this->plant(['title' => 'Fern', 'slug' => 'fern', 'publish_at' => '2026-01-01']);
        $this->get('/plants/fern')->assertOk();
        app(PageRemoval::class)->remove(app(PageStore::class)->find('plant') ?? $this->fail('It is there.'));
        DB::table('types')->where('key', 'plant')->update(['definition' => DB::raw(
            "jsonb_set(definition::jsonb, '{x-wellspring,address}', '\"/green/{slug}\"')::json",
        )]);
        app(CatalogueStore::class)->forget();
        $this->get('/plants/fern')->assertRedirect('/green/fern');
        $this->get('/plants/lady-fern')->assertRedirect('/green/lady-of-the-ferns');
    }

    public function test_a_term_that_a_page_is_about_with_those_below_it_cannot_go(): void
    {
        $this->publishPage([
            'key' => 'fern', 'address' => '/groups/{group}', 'title' => 'Fern',
            'about' => ['term' => 'groups', 'under' => 'ferns'],
            'bands' => [['key' => 'b', 'slots' => [['share' => 12, 'blocks' => [
                ['block' => 'heading', 'text' => 'Of ferns'],
            ]]]]],
        ]);
        $this->get('/groups/tree-ferns')->assertSee('Of ferns');
        $this->get('/groups/hostas')->assertDontSee('Of ferns');
        $this->actingAs($this->manager());
        $id = Term::query()->where('slug', 'ferns')->firstOrFail()->id;
        $this->deleteJson("/manage/api/terms/{$id}")->assertUnprocessable()
            ->assertJsonPath(
                'problems.0.message',
                'The page “Fern” is about it and the terms below it. Change it first.',
            );
        app(PageRemoval::class)->remove(app(PageStore::class)->find('fern') ?? $this->fail('It is there.'));
        $this->deleteJson("/manage/api/terms/{$id}")->assertOk();
    }

    public function test_a_page_is_for_some_and_for_a_time(): void
    {
        $this->publishPage([
            'key' => 'friends', 'address' => '/friends', 'title' => 'Friends', 'audience' => ['members'],
            'menu' => ['label' => 'Friends'],
        ]);
        $this->get('/friends')->assertNotFound();
        $this->get('/')->assertDontSee('Friends');
        $this->assertSame(200, $this->look('/friends', ['--as' => 'members'])['status']);
        $this->publishPage([
            'key' => 'friends', 'address' => '/friends', 'title' => 'Friends', 'audience' => ['members'],
            'whenNotForYou' => 'signIn',
        ]);
        $this->get('/friends')->assertUnauthorized()->assertSee('Sign in');
        $this->publishPage([
            'key' => 'fair', 'address' => '/fair', 'title' => 'Fair', 'from' => '2126-05-01T10:00:00Z',
            'until' => '2126-05-02T10:00:00Z',
        ]);
        $at = fn (string $instant): array => $this->look('/fair', ['--on' => $instant]);
        $this->assertSame([404, 200, 404], array_column(
            [$at('2126-05-01T09:59:59Z'), $at('2126-05-01T10:00:00Z'), $at('2126-05-02T10:00:00Z')],
            'status',
        ));
        $this->assertSame('2126-05-02T10:00:00Z', $at('2126-05-01T10:00:00Z')['until']);
    }

    public function test_the_frame_and_its_menus_stand_around_pages(): void
    {
        $frames = app(SiteDefinitionStore::class);
        $this->publishFrame([
            'header' => [['block' => 'menu', 'menu' => 'top']],
            'side' => [['block' => 'heading', 'text' => 'By the way', 'on' => ['pages' => ['/groups/{group}']]]],
            'after' => [['module' => 'of-this-group', 'on' => ['except' => ['/*']]]],
        ]);
        $frames->publish($frames->apply($frames->readMenu(['format' => 1, 'key' => 'top', 'entries' => [
            ['page' => 'home'], ['term' => ['groups', 'hostas']], ['item' => ['plant', 'secret']],
            ['link' => 'https://example.org/', 'label' => 'Elsewhere', 'entries' => [['item' => ['plant', 'oak']]]],
            ['link' => '/for-members', 'label' => 'Inside', 'audience' => ['members']],
        ]])));
        $html = (string) $this->get('/groups/hostas')->assertOk()->getContent();
        preg_match_all('~<a href="([^"]*)"\s*(aria-current="\w+")?\s*>([^<]*)</a>~', $html, $links);
        $this->assertSame(
            ['/', '/groups/hostas', 'https://example.org/', '/plants/oak'],
            array_slice($links[1], 0, 4),
        );
        $this->assertStringContainsString('aria-current="page"', $links[2][1]);
        $this->assertStringContainsString('By the way', $html);
        $this->get('/plants/oak')->assertOk()->assertDontSee('By the way');
        $this->get('/nothing-here')->assertNotFound()->assertSee('Elsewhere');
        $this->assertSame(['header', 'side'], array_keys($this->look('/groups/hostas')['frame']));
    }

    public function test_definitions_go_in_and_out_by_command(): void
    {
        $frame = '{"format":1,"slots":{"footer":[{"block":"searchBox"}]}}';
        $menu = '{"format":1,"key":"foot","entries":[{"link":"/a","label":"A"}]}';
        $page = '{"format":1,"key":"made","address":"/made","title":"Made","bands":[]}';
        $all = [
            'frame' => [$frame, []], 'menus' => [$menu, ['key' => 'foot']], 'pages' => [$page, ['key' => 'made']],
        ];
        foreach ($all as $what => [$text, $key]) {
            $file = $this->file('json', $text);
            $this->assertSame([0, 1, 0], [
                Artisan::call("wellspring:{$what}:apply", ['file' => $file]),
                Artisan::call("wellspring:{$what}:export", $key + ['--live' => true]),
                Artisan::call("wellspring:{$what}:apply", ['file' => $file, '--publish' => true]),
            ], 'a draft is not live');
            $this->assertSame(0, Artisan::call("wellspring:{$what}:export", $key + ['--live' => true]));
            $this->assertJsonStringEqualsJsonString($text, Artisan::output());
            $wrong = $this->file('json', str_replace('"format":1', '"format":2', $text));
            $this->assertSame(1, Artisan::call("wellspring:{$what}:apply", ['file' => $wrong]));
        }
        $this->assertSame(1, DB::table('page_versions')->where('page_id', app(PageStore::class)->find('made')?->id)
            ->count());
        $this->assertSame(404, $this->look('/draft')['status']);
        app(PageStore::class)->apply(app(PageStore::class)->read(
            ['format' => 1, 'key' => 'draft', 'address' => '/draft', 'title' => 'Draft'],
        ));
        $this->assertSame([404, 200], [
            $this->look('/draft')['status'],
            $this->look('/draft', ['--draft' => true])['status'],
        ]);
    }

    public function test_the_frame_is_changed_looked_at_and_published_in_manage(): void
    {
        $this->actingAs($this->manager());
        $api = '/manage/api/frame';
        $plain = $this->getJson($api)->assertOk()->assertJson(['revision' => 0, 'live' => true])->json('definition');
        $this->assertSame(['menu', 'searchBox', 'accountLinks'], array_column($plain['slots']['header'], 'block'));
        $entry = ['block' => 'heading', 'text' => 'All around', 'on' => ['except' => ['/']]];
        $changed = ['slots' => $plain['slots'] + ['after' => [$entry]]] + $plain;
        $saved = ['definition' => $changed, 'revision' => 0];
        $this->putJson("{$api}/draft", $saved)->assertOk()->assertJsonPath('revision', 1);
        $this->putJson("{$api}/draft", $saved)->assertConflict();
        $this->putJson("{$api}/draft", ['definition' => ['format' => 1, 'slots' => ['roof' => []]], 'revision' => 1])
            ->assertUnprocessable()->assertJsonPath('problems.0.path', 'slots.roof');
        $html = fn (string $address): string => (string) $this->postJson("{$api}/preview", ['address' => $address])
            ->assertOk()->json('html');
        $this->assertStringContainsString('All around', $html('/groups/hostas'));
        $this->assertStringNotContainsString('All around', $html('/'));
        $this->postJson("{$api}/preview", ['address' => '/nowhere'])->assertNotFound();
        $this->get('/groups/hostas')->assertDontSee('All around');
        $this->postJson("{$api}/publish")->assertOk()->assertJson(['live' => true, 'changed' => false]);
        $this->get('/groups/hostas')->assertSee('All around');
    }

    public function test_a_menu_is_changed_looked_at_and_published_in_manage(): void
    {
        $this->actingAs($this->manager());
        $this->pageAt('/new', 'New');
        $api = '/manage/api/menus';
        $this->getJson($api)->assertOk()->assertJsonPath('0', [
            'key' => 'main', 'entries' => 2, 'live' => false, 'changed' => false,
        ]);
        $main = $this->getJson("{$api}/main")->assertOk()->json('definition');
        $this->assertSame([['page' => 'home'], ['page' => 'new']], $main['entries'], 'it begins as visitors have it');
        $entries = [...$main['entries'], ['link' => '/new', 'label' => 'Again', 'entries' => [
            ['term' => ['groups', 'hostas'], 'audience' => ['members']],
        ]]];
        $saved = ['definition' => ['entries' => $entries] + $main, 'revision' => 0];
        $this->putJson("{$api}/main/draft", $saved)->assertOk()->assertJsonPath('revision', 1);
        $this->putJson("{$api}/main/draft", $saved)->assertConflict();
        $this->putJson("{$api}/other/draft", $saved)->assertUnprocessable()->assertJsonPath('problems.0.path', 'key');
        $wrong = ['definition' => ['entries' => [['page' => 'new', 'link' => '/']]] + $main, 'revision' => 1];
        $this->putJson("{$api}/main/draft", $wrong)->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'entries[0]');
        $look = fn (array $as): string => (string) $this->postJson('/manage/api/frame/preview', [
            'address' => '/new',
        ] + $as)->json('html');
        $this->assertStringContainsString('Again', $look([]));
        $this->assertStringContainsString('Hostas', $look(['as' => 'members']));
        $this->assertStringNotContainsString('Hostas', $look(['as' => 'signed-out']));
        $this->get('/new')->assertDontSee('Again');
        $this->postJson("{$api}/main/publish")->assertOk()->assertJson(['live' => true, 'changed' => false]);
        $this->app['auth']->logout();
        $this->get('/new')->assertSee('Again')->assertDontSee('Hostas');
    }

    /** The properties that schema.org names for each type; its names are from memory. */
    public function test_a_band_stands_on_a_picture_a_place_has_a_map_and_items_their_neighbours(): void
    {
        $this->get('/')->assertDontSee('previous-next');
        $picture = app(MediaStore::class)->add(PlantDrawing::plant('fern', 3), 'Ground', 'A fern')->name;
        $dell = $this->plant([
            'title' => 'Dell', 'publish_at' => '2026-05-20', 'picture' => $picture,
            'spot' => ['address' => 'Mill Lane', 'latitude' => 50.61, 'longitude' => -3.52],
        ]);
        $this->placeOn($this->pageAt('/all'), Garden::module(['key' => 'by-title', 'pin' => ['oak'], 'order' => [
            ['by' => 'title', 'direction' => 'up', 'empty' => 'last'],
        ], 'offer' => ['filters' => [['field' => 'light', 'as' => 'checks']]]]));
        $slot = fn (array ...$blocks): array => [['share' => 12, 'blocks' => $blocks]];
        $this->publishPage([
            'key' => 'plant', 'address' => '/plants/{plant}', 'about' => ['item' => 'plant'], 'title' => 'Plant',
            'bands' => [
                ['key' => 'top', 'ground' => ['page' => 'picture'], 'slots' => $slot(['block' => 'pageTitle'])],
                ['key' => 'body', 'ground' => ['colour' => 'bed'], 'slots' => $slot(
                    ['block' => 'map', 'field' => 'spot'],
                    ['block' => 'previousNext', 'order' => 'by-title'],
                )],
            ],
        ]);
        // Oak is pinned; then come Dell and Fern, while Secret is for members.
        $html = (string) $this->get('/plants/dell')->assertOk()->getContent();
        $links = '~rel="prev" href="/plants/oak".*rel="next" href="/plants/fern"~s';
        $this->assertMatchesRegularExpression($links, $html);
        $chosen = $this->get('/plants/dell?by-title-light=sun');
        $this->assertSame($html, $chosen->getContent(), 'whatever is chosen of the listing');
        $this->assertStringContainsString('class="band band-plain on-ground on-picture"', $html);
        $this->assertStringContainsString("/media/{$picture}", $html);
        $this->assertStringContainsString('aria-label="Map: Mill Lane"', $html);
        $this->assertStringContainsString('href="geo:50.61,-3.52"', $html);
        $this->assertContains('module:by-title', $this->look('/plants/dell')['depends']);
        $fern = (string) $this->get('/plants/fern')->assertOk()->getContent();
        $this->assertStringContainsString('class="band band-plain"', $fern, 'a picture that is not there is none');
        $this->assertStringContainsString('on-ground ground-bed', $fern);
        $this->assertStringNotContainsString('<svg', $fern);
        $this->assertStringNotContainsString('rel="next"', $fern);
        $member = $this->look('/plants/secret', ['--as' => 'members']);
        $this->assertSame([['block' => 'previousNext']], $member['bands'][1]['slots'][0]['blocks']);
        $this->actingAs($this->manager());
        $look = $this->postJson('/manage/api/pages/preview', [
            'definition' => app(PageStore::class)->find('plant')->draft ?? [], 'slug' => $dell->slug,
        ])->assertOk();
        $this->assertStringContainsString('<nav data-block="1.0.1" class="previous-next"', $look->json('html'));
    }

    public function test_search_engines_are_told_what_a_page_shows(): void
    {
        $author = $this->manager();
        $this->plant([
            'title' => 'Rose </script>', 'slug' => 'rose', 'price' => 4.5, 'groups' => ['shrubs'],
            'publish_at' => '2026-01-01', 'author' => $author->email,
        ]);
        $told = function (string $address): array {
            $html = (string) $this->get($address)->assertOk()->getContent();
            preg_match_all('~<script type="application/ld\+json">(.*?)</script>~s', $html, $found);
            $read = fn (string $one): array => (array) json_decode($one, true, 16, JSON_THROW_ON_ERROR);
            $all = array_map($read, $found[1]);
            $this->assertSame(['https://schema.org'], array_values(array_unique(array_column($all, '@context'))));

            return array_column($all, null, '@type');
        };
        $product = $told('/plants/rose')['Product'];
        $this->assertSame(
            ['Rose </script>', 'rose', ['@type' => 'Offer', 'price' => 4.5, 'priceCurrency' => 'GBP']],
            [$product['name'], $product['sku'], $product['offers']],
        );
        $this->assertStringEndsWith('/plants/rose', $product['url']);
        $group = $told('/groups/hostas');
        $this->assertSame(
            ['Home', 'Perennials', 'Hostas'],
            array_column($group['BreadcrumbList']['itemListElement'], 'name'),
        );
        $this->assertArrayNotHasKey('ItemList', $group, 'one item is no list');
        $this->plant(['title' => 'Blue', 'slug' => 'blue', 'groups' => ['hostas'], 'publish_at' => '2026-01-01']);
        $this->assertSame(
            [[1, '/plants/fern'], [2, '/plants/blue']],
            array_map(fn (array $one): array => [
                $one['position'], parse_url($one['url'], PHP_URL_PATH),
            ], $told('/groups/hostas')['ItemList']['itemListElement']),
        );
    }

    /** The sitemaps protocol: sitemaps.org/protocol.html, read back by an XML parser and its namespace. */
    public function test_search_engines_are_told_every_address_that_anyone_may_see(): void
    {
        config(['app.url' => 'https://garden.example', 'site.hosts' => 'localhost, 127.0.0.1']);
        $this->publishPage(['key' => 'inside', 'address' => '/inside', 'title' => 'In', 'audience' => ['members']]);
        $read = function (string $path): array {
            $answer = $this->get($path)->assertOk();
            $this->assertSame('application/xml; charset=utf-8', $answer->headers->get('Content-Type'));
            $xml = new \SimpleXMLElement((string) $answer->getContent());
            $this->assertSame(['' => 'http://www.sitemaps.org/schemas/sitemap/0.9'], $xml->getDocNamespaces());
            $found = [];
            foreach ($xml->children() as $one) {
                $found[] = (string) $one->loc;
            }

            return $found;
        };
        $all = [];
        foreach ($read('/sitemap.xml') as $part) {
            array_push($all, ...$read((string) parse_url($part, PHP_URL_PATH)));
        }
        $paths = array_map(fn (string $url): string => str_replace('https://garden.example', '', $url), $all);
        $this->assertEqualsCanonicalizing([
            '/', '/plants/fern', '/plants/oak', '/plants/2026-05', '/plants/2026-06', '/groups/perennials',
            '/groups/ferns', '/groups/tree-ferns', '/groups/hostas', '/groups/shrubs',
        ], $paths);
        foreach ($paths as $path) {
            $canonical = "rel=\"canonical\" href=\"https://garden.example{$path}\"";
            $this->get($path)->assertOk()->assertSee($canonical, false);
        }
        $this->get('/sitemap/items-planet-1.xml')->assertNotFound();
        $this->get('/robots.txt')->assertSee('Sitemap: https://garden.example/sitemap.xml')->assertSee('/manage');
    }

    public function test_a_page_is_made_changed_looked_at_published_and_removed_in_manage(): void
    {
        $this->actingAs($this->manager());
        $api = '/manage/api/pages';
        $about = ['term' => 'groups'];
        $key = $this->postJson($api, ['title' => 'Kind', 'address' => '/kinds/{kind}', 'about' => $about])
            ->assertCreated()->json('key');
        $this->postJson($api, ['title' => 'Kind', 'address' => '/kind', 'about' => $about])
            ->assertUnprocessable()->assertJsonPath('problems.0.path', 'address');
        $definition = $this->getJson("{$api}/{$key}")->assertOk()->json('definition');
        $bodies = $this->postJson("{$api}/bodies", ['definition' => $definition])->assertOk()->json();
        $this->assertContains('breadcrumbs', Arr::flatten($bodies[0]['bands']), 'of a page for terms');
        $records = $this->postJson("{$api}/records", ['definition' => $definition])->assertOk();
        $this->assertContains('text', array_column((array) $records->json('records.fields'), 'key'));
        $plain = ['address' => '/plain', 'about' => null] + $definition;
        $this->postJson("{$api}/records", ['definition' => array_filter($plain)])->assertJsonPath('records', null);
        $definition['bands'] = [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [
            ['block' => 'pageTitle'], ['block' => 'pageText'], ['module' => 'of-this-group', 'heading' => 'Here'],
            ['block' => 'heading', 'text' => 'Inside', 'audience' => ['members']],
        ]]]]];
        $saved = ['definition' => $definition, 'revision' => 1];
        $this->putJson("{$api}/{$key}/draft", $saved)->assertOk()->assertJsonPath('revision', 2);
        $this->putJson("{$api}/{$key}/draft", $saved)->assertConflict()->assertJsonPath('revision', 2);
        $this->putJson("{$api}/{$key}/draft", ['definition' => ['bands' => 7] + $definition, 'revision' => 2])
            ->assertUnprocessable()->assertJsonPath('problems.0.path', 'bands');
        $this->postJson("{$api}/subjects", ['definition' => $definition, 'q' => 'fern'])
            ->assertExactJson([
                ['slug' => 'ferns', 'title' => 'Ferns'],
                ['slug' => 'tree-ferns', 'title' => 'Tree ferns'],
            ]);
        $look = $this->postJson("{$api}/preview", ['definition' => $definition, 'slug' => 'hostas'])->assertOk();
        $this->assertSame('/kinds/hostas', $look->json('address'));
        $this->assertSame([
            ['The page’s title', null, true, null, null],
            ['The page’s text', null, false, 'nothing to show', null],
            ['Plants', 'under “Here”', true, null, 1],
            ['The heading “Inside”', null, false, 'only for members', null],
        ], array_map(fn (array $one): array => [
            $one['words'], $one['detail'], $one['shown'], $one['why'], $one['total'],
        ], $look->json('bands.0.slots.0.blocks')));
        // Why visitors do not see a module is told.
        $whys = fn (): array => array_column((array) $this->postJson(
            "{$api}/preview",
            ['definition' => $definition, 'slug' => 'hostas'],
        )->json('bands.0.slots.0.blocks'), 'why');
        ModuleRow::query()->where('key', 'of-this-group')->update(['off' => true]);
        $this->assertContains('switched off', $whys());
        $live = ModuleRow::query()->where('key', 'of-this-group')->value('live');
        ModuleRow::query()->where('key', 'of-this-group')->update(['off' => false, 'live' => null]);
        $this->assertContains('not published yet', $whys());
        ModuleRow::query()->where('key', 'of-this-group')->update(['live' => $live]);
        $this->get('/kinds/hostas')->assertNotFound();
        $this->postJson("{$api}/{$key}/publish")->assertOk()->assertJson(['live' => true, 'changed' => false]);
        $this->get('/kinds/hostas')->assertOk()->assertSee('Here');
        $this->assertSame('live', array_column((array) $this->getJson($api)->json(), 'state', 'key')[$key]);
        $this->publishFrame(['side' => [
            ['module' => 'of-this-group', 'on' => ['pages' => ['/plants/*']], 'audience' => ['members']],
        ]]);
        $marks = fn (array $asked): array => array_column(
            (array) $this->getJson("{$api}/grid?".http_build_query($asked))->assertOk()->json('modules.0.marks'),
            'admitted',
            'page',
        );
        $this->assertSame(
            ['home' => true, 'plant' => false],
            array_intersect_key($marks([]), ['plant' => 0, 'home' => 0]),
        );
        $this->assertSame(['plant' => true], array_intersect_key($marks(['as' => 'members']), ['plant' => 0]));
        $this->assertSame(['plant'], array_keys($marks(['pages' => '/plants/{plant'])));
        $this->assertSame([], $marks(['modules' => 'nowhere']));
        foreach ([true, false] as $stands) {
            $this->putJson('/manage/api/modules/of-this-group/pages/month', ['stands' => $stands])->assertOk();
            $states = array_column((array) $this->getJson("{$api}/grid")->json('modules.0.marks'), 'state', 'page');
            $this->assertSame($stands ? 'added' : 'live', $states['month'], 'a mark of the draft');
            $this->postJson("{$api}/month/publish")->assertOk();
            $on = in_array('of-this-group', app(PageQuery::class)->some(['month'])[0]->definition->modules(), true);
            $this->assertSame($stands, $on);
        }
        $grid = $this->getJson("{$api}/grid")->assertOk();
        $this->assertSame(
            ['home own on it', "{$key} own on it", 'group own on it', 'plant frame', 'month frame'],
            array_map(
                fn (array $mark): string => "{$mark['page']} {$mark['how']}".($mark['how'] === 'own' ? ' on it' : ''),
                collect((array) $grid->json('modules.0.marks'))->sortBy(fn (array $mark): int => (int) array_search(
                    $mark['page'],
                    ['home', $key, 'group', 'plant', 'month'],
                    true,
                ))->values()->all(),
            ),
        );
        $this->assertEveryVersionIsKept($api, $key, $definition);
        $change = $this->deleteJson("{$api}/{$key}")->assertOk()->json('change');
        $this->get('/kinds/hostas')->assertNotFound();
        $this->getJson("{$api}/{$key}")->assertNotFound();
        $this->postJson("/manage/api/changes/{$change}/undo")->assertOk()->assertJsonPath('undone', 1);
        $this->get('/kinds/hostas')->assertOk()->assertSee('Here');
    }

    /** @param  array<string, mixed>  $definition  that is live */
    private function assertEveryVersionIsKept(string $api, string $key, array $definition): void
    {
        $this->putJson("{$api}/{$key}/draft", ['definition' => ['title' => 'Sort'] + $definition, 'revision' => 2])
            ->assertOk();
        $changed = [['now' => false, 'words' => 'Called “Kind”, which is not shown'], [
            'now' => true, 'words' => 'Called “Sort”, which is not shown',
        ]];
        $versions = $this->getJson("{$api}/{$key}/versions")->assertOk()->assertJsonPath('draft', $changed);
        $this->assertSame([1], array_column((array) $versions->json('versions'), 'number'));
        $this->postJson("{$api}/{$key}/publish")->assertOk();
        $versions = $this->getJson("{$api}/{$key}/versions")->assertOk()->assertJsonPath('draft', []);
        $this->assertSame([2, 1], array_column((array) $versions->json('versions'), 'number'));
        $this->assertSame($changed, $versions->json('versions.0.changed'));
        $this->getJson("{$api}/{$key}/versions/1")->assertOk()->assertJsonPath('definition', $definition);
        $this->getJson("{$api}/{$key}/versions/3")->assertNotFound();
    }

    /**
     * @param  array<string, mixed>  $options
     * @return array<string, mixed>
     */
    private function look(string $address, array $options = []): array
    {
        $this->assertSame(0, Artisan::call('wellspring:page', ['address' => $address, '--json' => true] + $options));
        $said = json_decode(Artisan::output(), true, 64, JSON_THROW_ON_ERROR);
        $this->assertIsArray($said);

        return $said;
    }

    public function test_pages_are_records_in_the_order_of_the_tree_that_the_viewer_may_see_now(): void
    {
        $text = fn (string $html, array $more = []): array => ['bands' => [['key' => 'body', 'slots' => [
            ['share' => 12, 'blocks' => [['block' => 'text', 'html' => $html] + $more]],
        ]]]];
        foreach ([
            ['key' => 'visit', 'address' => '/visit', 'title' => 'Visit'],
            ['key' => 'fees', 'address' => '/visit/fees', 'title' => 'Fees', 'description' => 'What it costs']
            + $text('<p>Children <b>free</b>.</p>'),
            ['key' => 'way', 'address' => '/visit/way', 'title' => 'The way', 'until' => '2026-12-24T00:00:00Z']
            + $text('<p>Secret</p>', ['audience' => ['members']]),
            ['key' => 'bus', 'address' => '/visit/way/bus', 'title' => 'By bus'],
            ['key' => 'keys', 'address' => '/visit/keys', 'title' => 'Keys', 'audience' => ['members']],
        ] as $page) {
            $this->publishPage($page);
        }
        $titles = function (array $pages, string $words = ''): array {
            $module = Garden::module(['key' => 'contents', 'source' => ['pages' => $pages], 'page' => ['size' => 50],
                'card' => ['lines' => [['parts' => [['part' => 'title']]], ['parts' => [['part' => 'excerpt']]]]],
                'arrange' => ['as' => 'list']]);
            app(ModuleStore::class)->publish(app(ModuleStore::class)->apply($module));
            $this->placeOn($this->pageAt('/', 'Home'), $module);
            $html = (string) $this->get('/')->assertOk()->getContent();
            preg_match('~<section[^>]*id="contents".*?</section>~s', $html, $section);
            $words === '' || $this->assertStringContainsString($words, $section[0] ?? '');
            $this->assertStringNotContainsString('Secret', $section[0] ?? '');
            preg_match_all('~<a\s+href="([^"]*)">~', $section[0] ?? '', $found);

            return $found[1];
        };
        $this->travelTo('2026-12-01');
        $this->assertSame(
            ['/visit/fees', '/visit/way', '/visit/way/bus'],
            $titles(['under' => '/visit'], 'Children free'),
        );
        $this->assertSame(['/visit/way'], $titles(['only' => ['/visit/way', '/visit/keys', '/no']]));
        $this->travelTo('2026-12-24');
        $this->assertSame(['/visit/fees', '/visit/way/bus'], $titles(['under' => '/visit']), 'a page has ended');
        $this->publishPage(['key' => 'fees', 'address' => '/visit/prices', 'title' => 'Prices']);
        $this->assertSame(['/visit/prices', '/visit/way/bus'], $titles(['under' => '/visit']), 'a page has moved');
    }

    public function test_a_list_of_terms_counts_what_the_page_of_its_terms_lists(): void
    {
        $module = Garden::module(['key' => 'groups', 'source' => ['terms' => 'groups']]);
        $live = fn (): mixed => app(ModuleStore::class)->publish(app(ModuleStore::class)->apply($module))
            ->live['source']['counting'] ?? null;
        $this->assertSame(['plant'], $live(), 'the page of a group lists plants');
        $this->publishPage(['key' => 'group', 'address' => '/groups/{group}', 'about' => ['term' => 'groups'],
            'title' => 'Group']);
        $this->assertNull($live(), 'the page lists nothing: all are counted');
    }

    public function test_every_screen_tells_the_same_of_where_a_module_stands(): void
    {
        $this->actingAs($this->manager());
        $store = app(ModuleStore::class);
        $item = $this->plant(['title' => 'Maple', 'publish_at' => '2026-09-04', 'author' => 'm@example.org']);
        $beside = $store->publish($store->apply(Garden::module(['key' => 'beside', 'name' => 'Beside'])));
        $store->publish($store->apply(Garden::module([
            'key' => 'empty', 'name' => 'Nothing here', 'whenNothing' => ['do' => 'show', 'module' => 'beside'],
        ])));
        $this->pageAt('/', 'Front');
        $this->publishFrame(['side' => [['module' => 'beside', 'on' => ['pages' => ['/']]]]]);
        $words = ['around pages, at the side, only on /', 'where “Nothing here” has nothing to show'];
        $this->assertSame($words, array_column($this->getJson('/manage/api/modules/beside')->json('places'), 'words'));
        $list = array_column((array) $this->getJson('/manage/api/modules')->json(), null, 'key');
        $this->assertSame($words, array_column($list['beside']['places'], 'words'));
        $shown = fn (string $module): array => array_column(
            (array) $this->getJson("/manage/api/items/{$item->id}/shown")->assertOk()->json(),
            null,
            'module',
        )[$module];
        $this->assertSame($words, array_column($shown('beside')['pages'], 'title'));

        $this->publishPage(['key' => 'month', 'address' => '/plants/of/{month}', 'title' => 'A month',
            'about' => ['month' => ['plant']], 'bands' => [['key' => 'body', 'slots' => [
                ['share' => 12, 'blocks' => [['module' => 'of-month']]],
            ]]]]);
        $store->publish($store->apply(Garden::module(['key' => 'of-month', 'where' => ['all' => [
            ['field' => 'publish_at', 'test' => 'on', 'value' => ['from' => 'page', 'take' => 'month']],
        ]]])));
        $of = $shown('of-month');
        $this->assertSame([1, '/plants/of/2026-09'], [$of['place'], $of['pages'][0]['address']]);
        $look = fn (string $key): TestResponse => $this->postJson('/manage/api/bench/preview', [
            'definition' => $this->getJson("/manage/api/modules/{$key}")->json('definition'),
        ])->assertOk();
        $look('of-month')->assertJson(['total' => 1, 'example' => '2026-09']);
        $look('beside')->assertJson(['total' => 3, 'example' => null]);
        $this->getJson('/manage/api/modules/records?keys[]=of-month')->assertJson(['of-month' => ['live' => 1]]);

        $this->pageAt('/start', 'Start');
        $this->placeOn(Page::query()->where('address', '/start')->firstOrFail(), $store->read($beside->draft));
        $settings = $this->getJson('/manage/api/settings')->json();
        $key = Page::query()->where('address', '/start')->firstOrFail()->key;
        $this->putJson('/manage/api/settings/draft', [
            'definition' => ['home' => $key] + $settings['definition'], 'revision' => $settings['revision'],
        ])->assertOk();
        $this->postJson('/manage/api/settings/publish')->assertOk();
        $pages = array_column((array) $this->getJson('/manage/api/pages')->json(), null, 'title');
        $this->assertSame(['/', null], [$pages['Start']['address'], $pages['Start']['note']]);
        $this->assertStringContainsString('another page the home page', $pages['Front']['note']);
        $this->assertContains('/', array_column($shown('beside')['pages'], 'address'));
        $grid = (array) $this->getJson('/manage/api/pages/grid')->json('pages');
        $this->assertSame('/', array_column($grid, 'address', 'title')['Start']);
    }

    public function test_a_new_page_gets_an_address_from_its_title_and_is_told_who_has_the_one_that_is_typed(): void
    {
        $this->actingAs($this->manager());
        $this->pageAt('/visit', 'Visit');
        $ask = fn (array $body): array => (array) $this->postJson('/manage/api/pages/address', $body)
            ->assertOk()->json();
        $visit = Page::query()->where('address', '/visit')->firstOrFail()->key;
        $this->assertSame(['address' => '/opening-times', 'fault' => null], $ask(['title' => 'Opening times']));
        $this->assertSame('/visit/fees', $ask(['title' => 'Fees', 'under' => $visit])['address']);
        $this->assertSame('/visit-2', $ask(['title' => 'Visit'])['address']);
        $this->assertSame('/plants/{plant}', $ask(['title' => '', 'about' => ['item' => 'plant']])['address']);
        $this->assertSame('/groups/{groups}', $ask(['title' => '', 'about' => ['term' => 'groups']])['address']);
        $this->assertStringContainsString('The page “Visit” has this address', $ask(['address' => '/visit'])['fault']);
        $this->assertNull($ask(['address' => '/visit', 'key' => $visit])['fault']);
        $wrong = ['visit' => 'Expected an address', '/a b' => 'Expected an address', '/{x}' => 'cannot hold {x}'];
        foreach ($wrong as $at => $why) {
            $this->assertStringContainsString($why, $ask(['address' => $at])['fault']);
        }
        $first = $this->postJson('/manage/api/pages', ['title' => 'Fees', 'under' => $visit])->assertCreated()->json();
        $this->assertSame('/visit/fees', $first['definition']['address']);
        $this->postJson('/manage/api/pages', ['title' => 'Other', 'address' => '/visit/fees'])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.message', 'The page “Fees” has this address in its draft.');
        $this->assertSame('/people/{person}', $this->postJson('/manage/api/pages', [
            'title' => 'A person', 'about' => ['person' => true],
        ])->assertCreated()->json('definition.address'));
        $second = $this->postJson('/manage/api/pages', ['title' => 'Second'])->assertCreated()->json();
        $this->postJson("/manage/api/pages/{$first['key']}/publish", ['revision' => 1])->assertOk();
        $this->putJson("/manage/api/pages/{$second['key']}/draft", [
            'definition' => ['address' => '/visit/fees'] + $second['definition'], 'revision' => 1,
        ])->assertOk();
        $this->postJson("/manage/api/pages/{$second['key']}/publish", ['revision' => 2])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.message', 'the page “Fees” has this address.');
    }

    public function test_what_a_new_page_begins_with_shows_visitors_no_placeholder(): void
    {
        $words = ['share' => 12, 'blocks' => [['block' => 'heading', 'text' => 'Words']]];
        $page = $this->publishPage(['key' => 'new', 'address' => '/new', 'title' => 'New', 'bands' => [
            ...StarterBodies::of(null, null)[4]['bands'], ['key' => 'more', 'slots' => [$words]],
        ]]);
        $html = (string) $this->get('/new')->assertOk()->assertSee('Words')->getContent();
        $this->assertSame(1, substr_count($html, 'block-heading'));
        $this->assertSame(1, preg_match_all('/<(?:div|section) class="band[ "]/', $html), $html);
        $this->assertNotNull($page->live);
    }

    public function test_the_blocks_that_can_be_added_depend_on_what_the_page_is_about(): void
    {
        app(ModuleStore::class)->apply(Garden::module(['key' => 'all', 'name' => 'All']));
        $this->actingAs($this->manager());
        $offers = function (?array $about): array {
            $answer = $this->postJson('/manage/api/pages/blocks', ['about' => $about])->assertOk();

            return [
                'blocks' => array_column($answer->json('blocks'), null, 'key'), 'orders' => $answer->json('orders'),
            ];
        };
        $plain = $offers(null);
        $this->assertSame([null, []], [$plain['blocks']['previousNext']['begin'], $plain['orders']]);
        $this->assertStringStartsWith('Only on a page that serves', $plain['blocks']['previousNext']['why']);
        $this->assertSame(['block' => 'heading', 'text' => ''], $plain['blocks']['heading']['begin']);
        $this->assertSame('No module lets visitors choose yet.', $plain['blocks']['filters']['why']);
        $item = $offers(['item' => 'plant']);
        $this->assertSame(
            [['block' => 'previousNext', 'order' => 'all'], ['all', 'of-this-group']],
            [$item['blocks']['previousNext']['begin'], $item['orders']],
            'the modules list items of the type',
        );
        $this->assertSame(['block' => 'field', 'fields' => ['title']], $item['blocks']['field']['begin']);
        $this->postJson('/manage/api/pages/blocks', ['about' => ['item' => 'wells']])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'about.item');
    }
}
