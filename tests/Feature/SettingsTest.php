<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use App\Pages\SiteDefinitionStore;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\Support\Garden;
use Wellspring\Core\Context\SiteSettings;

/** The site's settings, from Manage to the pages that they change. */
final class SettingsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        $this->publishFrame(['header' => [['block' => 'menu', 'menu' => 'main']]]);
        $list = Garden::module(['key' => 'list', 'order' => [
            ['by' => 'title', 'direction' => 'up', 'empty' => 'last'],
        ]]);
        $this->placeOn($this->pageAt('/', 'Front'), $list);
        $this->pageAt('/gate', 'The gate');
        $this->pageAt('/bench', 'The bench');
        $this->pageAt('/lost', 'You are lost');
        $this->publishPage(['key' => 'stop', 'address' => '/stop', 'title' => 'Members come in here']);
        $this->publishPage([
            'key' => 'inside', 'address' => '/inside', 'title' => 'Inside', 'audience' => ['members'],
            'whenNotForYou' => 'signIn',
        ]);
    }

    public function test_pages_stand_in_for_the_home_page_for_what_is_not_found_and_for_what_members_see(): void
    {
        $this->get('/')->assertSee('<h1>Front</h1>', false);
        $this->get('/nothing')->assertNotFound()->assertDontSee('<h1>You are lost', false);
        $settings = $this->publish([
            'name' => 'Hortus', 'home' => 'gate', 'homeForMembers' => 'bench', 'notFound' => 'lost',
            'noAccess' => 'stop',
        ]);
        $this->assertSame('Hortus', $settings->name);

        $this->get('/')->assertSee('<h1>The gate</h1>', false)->assertSee('<title>Hortus</title>', false)
            ->assertSee('<link rel="canonical" href="'.rtrim(config()->string('app.url'), '/').'/">', false)
            ->assertSeeInOrder(['href="/"', 'aria-current="page"', '>The gate</a>'], false);
        $this->get('/gate')->assertRedirect('/')->assertStatus(301);
        $this->get('/bench')->assertOk();
        $this->get('/nothing')->assertNotFound()->assertSee('<h1>You are lost</h1>', false)->assertSee('noindex');
        $this->get('/gate?list-page=x')->assertStatus(301);
        $this->get('/inside')->assertUnauthorized()->assertSee('<h1>Members come in here</h1>', false)
            ->assertSee('<input type="hidden" name="to" value="/inside">', false);
        $map = (string) $this->get('/sitemap/pages.xml')->getContent();
        foreach (['/</loc>' => 1, '/gate<' => 0, '/lost<' => 0, '/stop<' => 0, '/bench<' => 1] as $part => $times) {
            $this->assertSame($times, substr_count($map, $part), $part);
        }

        $this->actingAs(User::query()->create([
            'name' => 'Linnet', 'email' => 'l@example.org', 'password' => 'a long password', 'role' => 'member',
        ])->refresh());
        $this->withUnencryptedCookie(config()->string('session.cookie'), 'of a member');
        $this->get('/')->assertSee('<h1>The bench</h1>', false);
        $this->get('/gate')->assertOk();
        $this->get('/bench')->assertRedirect('/');
    }

    public function test_a_page_that_is_not_live_or_about_something_can_stand_in_for_nothing(): void
    {
        $group = ['key' => 'group', 'address' => '/g/{group}', 'about' => ['term' => 'groups'], 'title' => 'Group'];
        $this->publishPage($group);
        foreach (['group', 'none'] as $key) {
            $this->draft(['home' => $key])->assertOk();
            $refused = $this->postJson('/manage/api/settings/publish')->assertUnprocessable();
            $refused->assertJsonPath('problems.0.path', 'home');
        }
        $this->draft(['locale' => 'xx', 'timeZone' => 'Mars'])->assertUnprocessable();
        $this->get('/')->assertSee('<h1>Front</h1>', false);
    }

    /** Swedish puts Å after Z (CLDR's collation); German finds Häuser by Haus (Snowball's German stemmer). */
    public function test_another_language_orders_and_searches_all_text_anew(): void
    {
        foreach (['Zinnia', 'Ångermanland', 'Häuser'] as $title) {
            $this->plant(['title' => $title, 'publish_at' => '2026-01-01']);
        }
        $titles = function (): array {
            preg_match_all('~>(Zinnia|Ångermanland|Häuser)<~u', (string) $this->get('/')->getContent(), $found);

            return $found[1];
        };
        $this->assertSame(['Ångermanland', 'Häuser', 'Zinnia'], $titles());
        $this->get('/search?q=haus')->assertDontSee('Häuser');
        $this->publish(['locale' => 'sv-SE']);
        $this->assertSame(['Häuser', 'Zinnia', 'Ångermanland'], $titles());
        $this->publish(['locale' => 'de-DE', 'timeZone' => 'Europe/Berlin']);
        $this->assertSame(['Ångermanland', 'Häuser', 'Zinnia'], $titles());
        $this->get('/search?q=haus')->assertSee('Häuser')->assertSee('<html lang="de-DE" dir="ltr">', false);
        // PostgreSQL has no stemmer for Ukrainian: words are searched as they are.
        $this->publish(['locale' => 'uk-UA']);
        $this->get('/search?q=haus')->assertDontSee('Häuser<')->assertSee('На цьому сайті ніщо не містить');
        $this->get('/search?q=häuser')->assertSee('Häuser')->assertSee('<html lang="uk-UA"', false);
        $this->assertSame([], DB::select("select 1 from pg_collation where collname = 'wellspring_text_before'"));
    }

    public function test_manage_looks_at_settings_before_they_hold(): void
    {
        $this->actingAs($this->manager());
        $settings = $this->getJson('/manage/api/settings')->assertOk()->json('definition');
        $look = $this->postJson('/manage/api/settings/preview', ['definition' => [
            'locale' => 'fr-FR', 'currency' => 'EUR', 'firstWeekday' => 7,
        ] + $settings])->assertOk();
        $this->assertSame('dimanche', $look->json('week.0'));
        $this->assertStringContainsString('€', $look->json('money'));
        $choices = $this->getJson('/manage/api/settings/choices')->assertOk();
        $this->assertContains(['key' => 'de-AT', 'label' => 'German (Austria) (de-AT)'], $choices->json('locales'));
        $this->assertSame(['number' => 7, 'name' => 'Sunday'], $choices->json('weekdays.6'));
        $this->draft(['name' => 'Elsewhere'])->assertOk();
        $this->draft(['name' => 'Elsewhere'], 0)->assertConflict();
        $this->assertSame($settings['name'], $this->getJson('/manage/api/start')->json('site.name'));
    }

    /** @param  array<string, mixed>  $changed */
    private function publish(array $changed): SiteSettings
    {
        $this->draft($changed)->assertOk();
        $this->postJson('/manage/api/settings/publish')->assertOk();
        Auth::logout();
        $this->app->forgetScopedInstances();

        return app(SiteSettings::class);
    }

    /**
     * @param  array<string, mixed>  $changed
     * @return \Illuminate\Testing\TestResponse<\Illuminate\Http\JsonResponse>
     */
    private function draft(array $changed, ?int $revision = null): \Illuminate\Testing\TestResponse
    {
        $this->actingAs(User::query()->where('role', 'manager')->first() ?? $this->manager());
        $now = $this->getJson('/manage/api/settings')->assertOk();

        return $this->putJson('/manage/api/settings/draft', [
            'definition' => $changed + $now->json('definition'),
            'revision' => $revision ?? app(SiteDefinitionStore::class)->settings()->revision ?? 0,
        ]);
    }
}
