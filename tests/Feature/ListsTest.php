<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Change;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Storage;

/** What the lists of the manage screens say. */
final class ListsTest extends TestCase
{
    public function test_the_lists_of_the_manage_screens_say_what_there_is(): void
    {
        Storage::fake('exports');
        $this->plantType();
        $manager = $this->manager();
        $this->actingAs($manager);
        $this->plant(['title' => 'Fern', 'groups' => ['ferns'], 'author' => 'm@example.org']);
        $this->getJson('/manage/api/taxonomies')
            ->assertOk()
            ->assertJson([
                ['key' => 'groups', 'tree' => true, 'terms' => 5, 'types' => ['Plants']],
                ['key' => 'soils', 'terms' => 2, 'types' => []],
            ]);
        $this->deleteJson('/manage/api/taxonomies/groups')
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.message', 'it belongs to Plants. Take it from that type first.');
        $this->deleteJson('/manage/api/taxonomies/soils')->assertOk();
        $this->getJson('/manage/api/taxonomies')->assertJsonCount(1);
        $types = $this->getJson('/manage/api/types')
            ->assertOk()
            ->assertJson(['types' => [['key' => 'plant', 'items' => 1]]])
            ->json();
        $this->assertContains('Height', $types['types'][0]['fields']);
        $this->assertContains('hours', array_column($types['kinds'], 'key'));
        $file = $this->get('/manage/api/types/plant/file')->assertOk()->assertDownload('plant.type.json');
        $this->assertSame(
            [
                'file' => json_decode((string) $file->getContent(), true),
                'items' => 1, 'revision' => 1, 'draft' => null,
            ],
            $this->getJson('/manage/api/types/plant')->json(),
        );
        $this->getJson('/manage/api/people?q=MARI&role=manager')
            ->assertOk()
            ->assertJson(['people' => [['name' => 'Marigold', 'items' => 1]]]);
        $this->getJson('/manage/api/people?q=nobody')->assertOk()->assertJson(['people' => []]);
        $this->assertContains(
            'Shop, journal, events, plots and people',
            array_column((array) $this->getJson('/manage/api/sets')->assertOk()->json(), 'name'),
        );
        $this->getJson('/manage/api/imports?type=plant')->assertOk()->assertExactJson([]);
        $exported = function (string $format): string {
            $file = $this->postJson('/manage/api/exports/plant', ['format' => $format])->assertOk()->json('file');

            return $this->get("/manage/api/exports/{$file}")
                ->assertOk()
                ->assertDownload("plant.{$format}")
                ->streamedContent();
        };
        $this->assertStringStartsWith('slug,title,status', $exported('csv'));
        $this->assertSame('Fern', json_decode($exported('json'), true)[0]['title']);
        $this->assertSame('Fern', json_decode($exported('jsonl'), true)['title']);
        $this->assertCount(3, Storage::disk('exports')->files());
        $this->travel(25)->hours();
        $this->assertSame(0, Artisan::call('wellspring:tidy'));
        $this->assertSame([], Storage::disk('exports')->files(), 'after a day they are gone');
        $this->travelBack();
        $this->postJson('/manage/api/exports/plant', ['format' => 'xml'])->assertUnprocessable();

        // What was done to many is listed, and is taken back by who did it, a manager, or the command line.
        $author = User::query()->create([
            'name' => 'Osric',
            'email' => 'o@example.org',
            'password' => 'a long password',
            'role' => 'author',
        ]);
        $ids = array_column($this->getJson('/manage/api/items?type=plant')->json('items'), 'id');
        $change = $this->postJson(
            '/manage/api/items/many',
            ['type' => 'plant', 'do' => 'set', 'ids' => $ids, 'with' => ['values' => ['light' => 'sun']]],
        )
            ->assertJson(['done' => 1])
            ->json('change');
        $this->getJson('/manage/api/changes')
            ->assertOk()
            ->assertJson([['id' => $change, 'by' => 'Marigold', 'undone' => false]]);
        $this->actingAs($author)->getJson('/manage/api/changes')->assertExactJson([]);
        $this->postJson("/manage/api/changes/{$change}/undo", [])->assertForbidden();
        $this->assertSame(0, Artisan::call('wellspring:undo'));
        $title = Change::query()->where('id', $change)->firstOrFail()->title;
        $this->assertStringContainsString($title, Artisan::output());
        $this->assertSame(0, Artisan::call('wellspring:undo', ['change' => (string) $change]));
        $this->assertStringContainsString("Taken back: {$title}. 1 items are as they were.", Artisan::output());
        $this->assertNotSame(0, Artisan::call('wellspring:undo', ['change' => (string) $change]), 'once only');
        $this->assertNotSame(0, Artisan::call('wellspring:undo', ['change' => 'x']));
        $this->assertStringContainsString('There is no change x.', Artisan::output());
    }
}
