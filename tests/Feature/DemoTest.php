<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Content\ItemWriter;
use App\Models\Item;
use App\Models\Module;
use App\Models\Page;
use App\Models\User;
use Database\Seeders\Demo\DemoRemoval;
use Illuminate\Support\Facades\DB;
use Tests\Support\Garden;
use Wellspring\Core\Content\ItemReader;

/** From the demo to a site of one's own. */
final class DemoTest extends TestCase
{
    public function test_the_demo_goes_what_is_ones_own_stays_and_undo_brings_all_back(): void
    {
        $type = $this->plantType();
        $changed = $this->plant(['title' => 'Lady fern']);
        $named = $this->plant(['title' => 'Royal fern']);
        $untouched = $this->plant(['title' => 'Hart’s-tongue']);
        $author = User::query()->create([
            'name' => 'Osric Vale', 'email' => 'osric@example.org', 'password' => 'a long password', 'role' => 'author',
        ]);
        $page = $this->pageAt('/ferns', 'Ferns');
        $module = $this->placeOn($page, Garden::module());
        $own = $this->manager();
        DemoRemoval::note();
        // One's own account was made later.
        DB::table('demo_records')->where('kind', 'user')->where('record_id', $own->id)->delete();

        $this->actingAs($own);
        app(ItemWriter::class)->update($changed, $type, (new ItemReader($type))->fromValues([
            'title' => 'Lady fern, mended', 'slug' => $changed->slug,
        ]));
        $this->plant(['title' => 'My own', 'friends' => [$named->slug]]);
        $mypage = $this->pageAt('/mine', 'Mine');

        $done = $this->deleteJson('/manage/api/settings/demo')->assertOk();
        $this->assertEqualsCanonicalizing(
            ['“Lady fern, mended” was changed.', '“Royal fern” is named by an item of yours.'],
            $done->json('left'),
        );
        $this->assertSame(
            ['Lady fern, mended', 'My own', 'Royal fern'],
            Item::query()->orderBy('title')->pluck('title')->all(),
        );
        $this->assertNotNull($page->refresh()->removed_at);
        $this->assertNotNull($module->refresh()->removed_at);
        $this->assertNull($mypage->refresh()->removed_at);
        $this->assertFalse($author->refresh()->active);
        $this->assertTrue($own->refresh()->active);
        $this->get('/ferns')->assertNotFound();
        $this->get('/mine')->assertOk();
        $this->getJson('/manage/api/settings/demo')->assertJsonPath('left', 0);
        $this->deleteJson('/manage/api/settings/demo')->assertUnprocessable()
            ->assertJsonPath('problems.0.message', 'Nothing of the demo is here.');

        $this->postJson("/manage/api/changes/{$done->json('change')}/undo")->assertOk();
        $this->get('/ferns')->assertOk()->assertSee('Hart’s-tongue');
        $this->assertTrue(Item::query()->where('slug', $untouched->slug)->exists());
        $this->assertTrue($author->refresh()->active);
        $this->getJson('/manage/api/settings/demo')->assertJsonPath('left', 6);
    }

    public function test_the_last_manager_and_a_module_on_a_page_that_stays_are_not_removed(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Lady fern']);
        $manager = $this->manager();
        $page = $this->pageAt('/ferns', 'Ferns');
        $module = $this->placeOn($page, Garden::module());
        DemoRemoval::note();
        $this->actingAs($manager);
        $this->pageAt('/mine', 'Mine', $module->key);

        [$left, $page, $module] = [app(DemoRemoval::class)->remove()['left'], $page->refresh(), $module->refresh()];
        $this->assertNotNull($page->removed_at);
        $this->assertNull($module->removed_at);
        $this->assertTrue($manager->refresh()->active);
        $this->assertStringContainsString('Mine', implode("\n", $left));
        $this->assertStringContainsString('Marigold is you.', implode("\n", $left));
        $this->assertSame(1, Module::query()->whereNull('removed_at')->count());
        $this->assertSame(['Mine'], Page::query()->whereNull('removed_at')->pluck('title')->all());
    }
}
