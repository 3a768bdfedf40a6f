<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Content\Types\TypeWriter;
use App\Models\Item;
use App\Models\Media;
use App\Models\Page;
use App\Models\Taxonomy;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\DB;
use Tests\Support\Garden;
use Wellspring\Core\Problem\Refused;

/** How content and modules are kept, and what a page makes of them. */
final class StoresTest extends TestCase
{
    public function test_no_empty_value_is_ever_stored_and_texts_are_kept_folded(): void
    {
        $this->plantType();
        $item = $this->plant([
            'title' => 'Crème',
            'nickname' => " \u{A0}",
            'story' => '<p> <script>x</script></p>',
            'text' => '<div onclick="x()">Ünder <em>glass</em></div>',
            'uses' => [],
            'height' => 0,
            'hardy' => false,
            'groups' => null,
        ])->refresh();
        $this->assertEquals(['height' => 0, 'hardy' => false], $item->fields);
        $this->assertEquals(['title' => 'creme', 'slug' => 'creme', 'text' => 'under glass'], $item->folded);
        $this->assertStringNotContainsString('onclick', (string) $item->text);
        $this->assertSame(
            '{}',
            DB::table('items')->where('id', $this->plant(['title' => 'Bare'])->id)->value('fields'),
        );
    }

    public function test_a_published_item_has_a_publish_date_and_a_draft_need_not(): void
    {
        $this->plantType();
        $this->freezeSecond();
        $this->assertEquals(now(), $this->plant(['title' => 'Now'])->publish_at);
        $draft = $this->plant(['title' => 'Draft', 'status' => 'draft']);
        $this->assertNull($draft->publish_at);
        $this->actingAs($this->manager());
        $this->putJson("/manage/api/items/{$draft->id}", ['revision' => 1, 'values' => ['status' => 'published']])
            ->assertOk()
            ->assertJsonPath('values.publish_at', now()->utc()->format('Y-m-d\TH:i:s\Z'));
        $this->putJson(
            "/manage/api/items/{$draft->id}",
            [
                'revision' => 2,
                'values' => ['publish_at' => '2026-05-01T00:00:00Z', 'expire_at' => '2026-05-01T00:00:00Z'],
            ],
        )
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'expire_at');
    }

    public function test_a_type_makes_the_taxonomies_it_names_and_keeps_its_address_to_itself(): void
    {
        $this->plantType();
        $plot = json_decode(
            (string) file_get_contents(base_path('docs/formats/examples/plot.type.json')),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );
        app(TypeWriter::class)->apply($plot);
        $this->assertEquals(
            ['label' => 'Villages', 'tree' => false],
            Taxonomy::query()->findOrFail('villages')->only(['label', 'tree']),
        );
        $this->assertSame(
            ['plant', 'plot'],
            array_keys(app(CatalogueStore::class)->catalogue()->types),
            'types stand in the order in which they came',
        );
        try {
            app(TypeWriter::class)->apply(
                ['x-wellspring' => ['key' => 'bed', 'address' => '/plants/{slug}'] + $plot['x-wellspring']] + $plot,
            );
            $this->fail('Two types cannot have one address.');
        } catch (Refused $refused) {
            $this->assertSame('x-wellspring.address', $refused->problems[0]->path);
        }
    }

    public function test_every_published_version_is_kept_and_a_draft_counts_its_changes(): void
    {
        $this->plantType();
        $store = app(ModuleStore::class);
        $this->actingAs($user = $this->manager());
        $row = $store->create('Plants', ['source' => ['items' => ['plant']]]);
        foreach ([3, 5, 5] as $size) {
            $row = $store->publish($store->apply($store->read(['page' => ['size' => $size]] + $row->draft)));
        }
        $versions = DB::table('module_versions')->orderBy('number')->get();
        $this->assertSame([1, 2, 3], $versions->pluck('number')->all());
        $this->assertSame(
            [3, 5, 5],
            $versions->map(fn ($version): int => json_decode($version->definition, true)['page']['size'])->all(),
        );
        $this->assertSame([$user->id], $versions->pluck('user_id')->unique()->all());
        $this->assertSame(4, $row->revision);
        $this->assertSame('plants-2', $store->create('Plants', ['source' => ['items' => ['plant']]])->key);
        $this->assertSame('item', $store->create('—', ['source' => ['items' => ['plant']]])->key);
    }

    public function test_several_modules_on_a_page_stand_in_order_and_page_separately(): void
    {
        $this->plantType();
        foreach (range(1, 4) as $n) {
            $this->plant(['title' => "Plant {$n}", 'price' => $n, 'publish_at' => '2026-01-01']);
        }
        $page = $this->pageAt('/garden', 'Garden');
        $store = app(ModuleStore::class);
        foreach (['dear' => 'down', 'cheap' => 'up'] as $key => $direction) {
            $row = $store->publish(
                $store->apply(
                    $store->read([
                        'format' => 1,
                        'key' => $key,
                        'name' => ucfirst($key),
                        'source' => ['items' => ['plant']],
                        'order' => [['by' => 'price', 'direction' => $direction]],
                        'page' => ['size' => 1],
                    ]),
                ),
            );
            $this->stand($row, $page);
            $this->stand($row, $page);
        }
        $this->get('/garden')->assertSeeInOrder(['Dear', 'Plant 4', 'Cheap', 'Plant 1']);
        $html = $this->get('/garden?cheap-page=3&dear-page=2')
            ->assertOk()
            ->assertSeeInOrder(['Dear', 'Plant 3', 'Cheap', 'Plant 3'])
            ->getContent();
        $this->assertStringContainsString(
            '/garden?dear-page=3&amp;cheap-page=3#dear',
            (string) $html,
            'a link of one leaves the other where it is',
        );
        $this->assertStringContainsString(
            '/garden?cheap-page=3#dear',
            (string) $html,
            'and its first page has no number',
        );
        $this->get('/garden?cheap-page=3&dear-page=9')->assertNotFound();
    }

    public function test_cards_on_a_page_carry_pictures_labels_and_what_is_said(): void
    {
        $this->plantType();
        Media::query()->create([
            'name' => 'fern.webp',
            'mime' => 'image/webp',
            'width' => 800,
            'height' => 600,
            'bytes' => 1,
            'alt' => 'A fern',
            'sizes' => [400, 800],
            'focus_x' => 0.25,
        ]);
        $this->plant([
            'title' => 'Fern & <moss>',
            'slug' => 'fern',
            'picture' => 'fern.webp',
            'height' => 40,
            'publish_at' => '2026-01-01',
        ]);
        $this->plant(['title' => 'Bare', 'publish_at' => '2026-01-01']);
        $page = $this->pageAt('/garden', 'Garden');
        $this->placeOn($page, Garden::module([
            'order' => [['by' => 'title', 'direction' => 'down']],
            'card' => ['lines' => [
                ['parts' => [['part' => 'picture']]],
                ['parts' => [['part' => 'title', 'level' => 4]]],
                [
                    'parts' => [
                        ['part' => 'field', 'field' => 'height', 'label' => 'Grows to'],
                        ['part' => 'price', 'empty' => ['do' => 'say', 'text' => 'Ask <us>']],
                    ],
                ],
            ]],
        ]));
        $html = (string) $this->get('/garden')->assertOk()->getContent();
        $this->assertMatchesRegularExpression(
            '~<img\s+class="focus-x-25 focus-y-50"\s+src="/media/fern.jpg" srcset="/media/w400/fern.jpg 400w, '
                .'/media/fern.jpg 800w" sizes="[^"]+" alt=""\s+width="800" height="600"\s+loading="lazy"\s*>~',
            $html,
            'pages do not jump',
        );
        $this->assertStringContainsString(
            '<source type="image/webp" srcset="/media/w400/fern.webp 400w, /media/fern.webp 800w"',
            $html,
        );
        $this->assertMatchesRegularExpression(
            '~<h3 class="part title"><a\s+href="/plants/fern">Fern &amp; &lt;moss&gt;</a></h3>~',
            $html,
        );
        $this->assertMatchesRegularExpression('~Grows to</span> 40\x{A0}cm</span>~u', $html);
        $this->assertSame(2, substr_count($html, 'Ask &lt;us&gt;'));
        $this->assertSame(1, substr_count($html, '<img'));
        Media::query()->update(['sizes' => '[]']);
        $this->assertMatchesRegularExpression(
            '~<img\s+class="[^"]+"\s+src="/media/fern.webp" srcset="/media/fern.webp 800w"~',
            (string) $this->get('/garden')->getContent(),
            'a picture of before there were sizes',
        );
        Media::query()->delete();
        $this->get('/garden')->assertOk()->assertDontSee('<img', false);
        $this->assertSame(2, Item::query()->count());
    }
}
