<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Content\Types\TypeWriter;
use App\Import\PictureZip;
use App\Models\Item;
use App\Models\Media;
use App\Models\Term;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Problem\Refused;

/** Bringing files in as a manager does: matched, checked, written, taken back. */
final class ImportTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('imports');
        Storage::fake('media');
        $this->plantType();
        $this->actingAs($this->manager());
    }

    /** @return array<string, mixed> */
    private function upload(string $name, string $content): array
    {
        return $this->post(
            '/manage/api/imports',
            ['type' => 'plant', 'file' => UploadedFile::fake()->createWithContent($name, $content)],
            ['Accept' => 'application/json'],
        )
            ->assertCreated()
            ->json();
    }

    /**
     * @param  array<string, mixed>  $import
     * @param  array<string, mixed>  $options
     * @return array<string, mixed>
     */
    private function go(array $import, bool $write, array $options = []): array
    {
        return $this->postJson(
            "/manage/api/imports/{$import['id']}/run",
            ['write' => $write, 'options' => $options + $import['options']],
        )
            ->assertOk()
            ->json();
    }

    public function test_columns_are_guessed_remembered_and_every_problem_told_before_anything_is_written(): void
    {
        $table = "Name;Price in shop;Category;Grows to;Light\nFougère;4.20;Perennials > "
            ."Ferns;90;shade\nRose;dear;Shrubs;120;moon\nMoss;;Perennials > Mosses;;\nFougère;1;;;\n";
        $import = $this->upload('plants.csv', $table);
        $this->assertEquals(
            [
                'Name' => 'title',
                'Price in shop' => null,
                'Category' => 'groups',
                'Grows to' => null,
                'Light' => 'light',
            ],
            $import['options']['columns'],
        );
        $this->assertSame('4.20', $import['samples']['Price in shop']);
        $this->assertFalse($import['options']['makeTerms'], 'there are terms to choose from');
        $columns = ['Price in shop' => 'price', 'Grows to' => 'height'] + $import['options']['columns'];
        $checked = $this->go($import, false, ['columns' => $columns]);
        $this->assertSame('checked', $checked['state']);
        $this->assertSame([2, 2], [$checked['result']['created'], $checked['result']['bad']]);
        $this->assertSame(
            ['line 3, column Price in shop', 'line 3, column Light', 'line 4, column Category'],
            array_column($checked['result']['problems'], 'path'),
        );
        $this->assertSame(
            ['Fougère', '4.2', 'Perennials > Ferns', '90', 'Shade'],
            array_map(
                fn (string $key): string => $checked['result']['preview'][0]['cells'][$key],
                ['title', 'price', 'groups', 'height', 'light'],
            ),
        );
        $this->assertSame(['created', 'bad', 'bad', 'created'], array_column($checked['result']['preview'], 'becomes'));
        $this->assertSame(0, Item::query()->count(), 'nothing is written by looking');
        $this->assertSame(
            'checked',
            $this->go($import, true, ['columns' => $columns])['state'],
            'nor while a row is wrong',
        );
        $this->assertSame(0, Item::query()->count());

        $done = $this->go($import, true, ['columns' => $columns, 'skipBad' => true, 'makeTerms' => true]);
        $this->assertSame(['done', 3, 1], [$done['state'], $done['result']['created'], $done['result']['bad']]);
        $this->assertSame(['Perennials > Mosses'], $done['result']['newTerms']);
        $this->assertSame(
            'perennials',
            Term::query()->findOrFail(Term::query()->where('slug', 'mosses')->firstOrFail()->parent_id)->slug,
        );
        $this->assertSame(
            ['mosses'],
            Item::query()->where('title', 'Moss')->firstOrFail()->terms->pluck('slug')->all(),
        );
        $again = $this->upload('more.csv', "Price in shop,Name\n3,New\n");
        $this->assertEquals(
            ['Price in shop' => 'price', 'Name' => 'title'],
            $again['options']['columns'],
            'the match is remembered',
        );

        $this->postJson("/manage/api/changes/{$done['change']}/undo")
            ->assertOk()
            ->assertJson(['undone' => 3, 'left' => []]);
        $this->assertSame(0, Item::query()->count());
    }

    public function test_known_rows_change_by_slug_or_by_a_key_of_their_own(): void
    {
        foreach (['A' => 'SKU-1', 'B' => 'SKU-2', 'C' => null] as $title => $nickname) {
            $this->plant(['title' => $title, 'nickname' => $nickname, 'price' => 1]);
        }
        $import = $this->upload('prices.csv', "nickname,title,price\nSKU-1,A,2\nSKU-2,B,1\nSKU-9,New,3\n");
        $both = ['mode' => 'both', 'key' => 'nickname'];
        $this->assertSame(
            [1, 1, 1, 0],
            array_values(
                array_intersect_key(
                    $this->go($import, false, $both)['result'],
                    ['created' => 0, 'changed' => 0, 'unchanged' => 0, 'bad' => 0],
                ),
            ),
        );
        $this->assertStringContainsString(
            'no Plant is known by this',
            $this->go($import, false, ['mode' => 'update', 'key' => 'nickname'])['result']['problems'][0]['message'],
        );
        $this->assertStringContainsString(
            '“A” has it already',
            $this->go($import, false, ['mode' => 'create', 'key' => 'nickname'])['result']['problems'][0]['message'],
        );
        $change = $this->go($import, true, $both)['change'];
        $this->assertEquals(
            [2, 1, 1, 3],
            Item::query()->orderBy('id')->get()->map(fn (Item $item): mixed => $item->fields['price'])->all(),
        );
        $this->postJson("/manage/api/changes/{$change}/undo")->assertOk()->assertJson(['undone' => 2]);
        $this->assertEquals(
            [1, 1, 1],
            Item::query()->orderBy('id')->get()->map(fn (Item $item): mixed => $item->fields['price'])->all(),
        );

        $zeros = $this->upload(
            'zeros.jsonl',
            "{\"slug\": \"a\", \"nickname\": \"007\"}\n{\"slug\": \"b\", \"nickname\": \"=1+1\"}\n",
        );
        $this->go($zeros, true, ['mode' => 'update']);
        $this->assertSame(
            ['007', '=1+1'],
            Item::query()
                ->orderBy('id')
                ->limit(2)
                ->get()
                ->map(fn (Item $item): mixed => $item->fields['nickname'])
                ->all(),
        );
        $seven = $this->upload('seven.csv', "slug,nickname\na,7\n");
        $this->assertSame(1, $this->go($seven, true, ['mode' => 'update'])['result']['changed'], '7 is not 007');
    }

    public function test_pictures_come_from_a_zip_and_a_hostile_zip_is_refused(): void
    {
        $image = imagecreatetruecolor(30, 20);
        ob_start();
        imagepng($image);
        $png = (string) ob_get_clean();
        $zip = function (array $files): string {
            $path = $this->file('zip', '');
            $zip = new \ZipArchive;
            $zip->open($path, \ZipArchive::OVERWRITE);
            foreach ($files as $name => $bytes) {
                $zip->addFromString($name, $bytes);
            }
            $zip->close();

            return $path;
        };
        $import = $this->upload(
            'plants.csv',
            "title,picture,shots\nFern,ferns/lady.png,lady.png | "
                ."rose.png\nRose,rose.png,\nMoss,moss.png,\nBad,bad.png,\n",
        );
        $send = fn (string $path) => $this->post(
            "/manage/api/imports/{$import['id']}/pictures",
            ['pictures' => new UploadedFile($path, 'p.zip', null, null, true)],
            ['Accept' => 'application/json'],
        );
        foreach (['../../public/shell.php', '/etc/passwd', 'a/../../b.png', 'C:\\x.png'] as $name) {
            $send($zip([$name => $png]))->assertUnprocessable()->assertJsonPath('problems.0.code', 'outside');
        }
        $send($this->file('zip', 'no zip'))->assertUnprocessable();
        $send($zip(['ferns/lady.png' => $png, 'rose.png' => $png, 'bad.png' => '<?php echo 1;']))
            ->assertOk()
            ->assertJson(['pictures' => true]);
        $checked = $this->go($import, false)['result'];
        $this->assertSame(
            ['line 4, column picture', 'line 5, column picture'],
            array_column($checked['problems'], 'path'),
            'one that is nowhere, one that is none',
        );
        $this->assertSame(0, Media::query()->count(), 'checking takes nothing in');
        $this->assertSame(2, $this->go($import, true, ['skipBad' => true])['result']['created']);
        $this->assertSame(
            ['lady.webp', 'rose.webp'],
            Media::query()->orderBy('name')->pluck('name')->all(),
            'each once',
        );
        $this->assertEquals(
            ['picture' => 'lady.webp', 'shots' => ['lady.webp', 'rose.webp']],
            Item::query()->where('title', 'Fern')->firstOrFail()->fields,
        );
        $this->expectException(Refused::class);
        new PictureZip($this->file('zip', ''));
    }

    public function test_items_may_link_to_others_further_down_in_the_file(): void
    {
        $import = $this->upload(
            'plants.json',
            '[{"slug": "a", "title": "A", "friends": ["b", "c"]}, {"slug": "b", "title": "B"}, {"slug": "c", "title": '
                .'"C", "friends": ["nobody"]}]',
        );
        $this->assertSame(
            ['item 3, column friends'],
            array_column($this->go($import, false)['result']['problems'], 'path'),
        );
        $done = $this->go($import, true, ['skipBad' => true]);
        $this->assertSame(['done', 2], [$done['state'], $done['result']['created']]);
        $this->assertSame(
            ['b'],
            Item::query()
                ->where('slug', 'a')
                ->firstOrFail()->links->map(fn ($link): ?string => $link->target?->slug)
                ->all(),
        );
        // What has gone since needs not go, and is not missed.
        Item::query()->where('slug', 'b')->delete();
        $this->postJson("/manage/api/changes/{$done['change']}/undo")
            ->assertOk()
            ->assertExactJson(['undone' => 1, 'left' => []]);
    }

    public function test_files_that_cannot_be_taken_are_told_so(): void
    {
        $send = fn (string $name, string $content) => $this->post(
            '/manage/api/imports',
            ['type' => 'plant', 'file' => UploadedFile::fake()->createWithContent($name, $content)],
            ['Accept' => 'application/json'],
        );
        $send('x.xlsx', 'PK')->assertUnprocessable()->assertJsonPath('problems.0.code', 'unknownKind');
        $send('x.csv', '')->assertUnprocessable();
        $send('x.json', '{"a": ')->assertUnprocessable();
        $send('x.csv', "title,other\nA,\"B\n")->assertUnprocessable();
        $late = $this->upload('x.csv', "title,other\n".str_repeat("A,B\n", 300)."A,\"B\n");
        $failed = $this->go($late, false);
        $this->assertSame('failed', $failed['state']);
        $this->assertStringContainsString('a quote is opened', $failed['result']['problems'][0]['message']);
        $none = $this->upload('y.csv', "first,second\n1,2\n");
        $this->assertStringContainsString(
            'no column is matched with the title',
            $this->go($none, false)['result']['problems'][0]['message'],
        );
        $this->postJson(
            "/manage/api/imports/{$none['id']}/run",
            ['write' => false, 'options' => ['mode' => 'destroy']],
        )->assertUnprocessable();
    }

    /**
     * Three tables of vega-datasets (the package’s data/), brought in whole on the command line and counted against
     * SQLite, which reads the same files by itself.
     */
    public function test_three_open_tables_are_brought_in_whole(): void
    {
        $lite = new \PDO('sqlite::memory:');
        foreach ([
            'seattle-weather.csv' => [
                'date',
                ['precipitation' => 'number', 'temp_max' => 'number', 'weather' => 'text'],
            ],
            'la-riots.csv' => ['race', ['age' => 'number', 'gender' => 'text', 'neighborhood' => 'text']],
            'penguins.json' => ['Species', ['Island' => 'text', 'Body Mass (g)' => 'number', 'Sex' => 'text']],
        ] as $name => [$title, $columns]) {
            $path = base_path("node_modules/vega-datasets/data/{$name}");
            $keys = array_combine(
                array_keys($columns),
                array_map(
                    fn (string $column): string => trim(
                        (string) preg_replace('/[^a-z]+/', '_', strtolower($column)),
                        '_',
                    ),
                    array_keys($columns),
                ),
            );
            $type = substr((string) preg_replace('/[^a-z]/', '', $name), 0, 8);
            app(TypeWriter::class)
                ->apply([
                    '$schema' => TypeFile::DRAFT,
                    'title' => $type,
                    'type' => 'object',
                    'x-wellspring' => ['format' => 1, 'key' => $type, 'address' => "/{$type}/{slug}"],
                    'properties' => array_combine(
                        array_values($keys),
                        array_map(
                            fn (string $kind): array => ['x-wellspring' => ['kind' => $kind]],
                            array_values($columns),
                        ),
                    ),
                ]);
            \Illuminate\Support\Facades\DB::table('column_matches')->insert([
                ['type_key' => $type, 'heading' => strtolower($title), 'column' => 'title'],
            ]);
            $this->assertSame(
                0,
                Artisan::call('wellspring:items:import', ['file' => $path, '--type' => $type, '--match' => true]),
                Artisan::output(),
            );

            $rows = str_ends_with($name, '.json')
                ? json_decode((string) file_get_contents($path), true)
                : self::plainCsv($path);
            $lite->exec("create table {$type} (".implode(', ', $keys).')');
            $insert = $lite->prepare(
                "insert into {$type} values (".implode(', ', array_fill(0, count($keys), '?')).')',
            );
            foreach ($rows as $row) {
                $insert->execute(
                    array_map(
                        fn (string $column): mixed => ($row[$column] ?? '') === '' ? null : $row[$column],
                        array_keys($columns),
                    ),
                );
            }
            foreach (array_keys($keys) as $column) {
                $key = $keys[$column];
                $number = ($columns[$column] ?? '') === 'number';
                $cast = $number ? "round(sum(cast({$key} as real)), 3)" : "count(distinct trim({$key}))";
                $asked = $lite->query("select count(*), count({$key}), {$cast} from {$type}");
                $theirs = $asked === false ? [] : (array) $asked->fetch(\PDO::FETCH_NUM);
                $field = "fields->>'{$key}'";
                $ours = (array) \Illuminate\Support\Facades\DB::selectOne(
                    "select count(*) as a, count({$field}) as b, ".(
                        $number ? "round(sum(({$field})::numeric), 3)" : "count(distinct {$field})"
                    ).' as c from items where type_key = ?',
                    [$type],
                );
                $numbers = fn (array $row): array => array_map(
                    fn (mixed $one): float => is_numeric($one) ? (float) $one : -1.0,
                    array_values($row),
                );
                $this->assertSame($numbers($theirs), $numbers($ours), "{$name} {$column}");
                $this->assertGreaterThan(60, $numbers($theirs)[0]);
            }
        }
        $this->assertCount(4, app(CatalogueStore::class)->catalogue()->types);
    }

    /** @return list<array<string, string>> by PHP’s own reader */
    private static function plainCsv(string $path): array
    {
        $file = fopen($path, 'rb') ?: throw new \LogicException;
        $header = array_map(strval(...), fgetcsv($file, escape: '') ?: []);
        $rows = [];
        while (($cells = fgetcsv($file, escape: '')) !== false) {
            $rows[] = array_combine($header, array_map(strval(...), $cells));
        }

        return $rows;
    }

    public function test_an_ordinary_spreadsheet_comes_in_as_it_was_exported(): void
    {
        $rows = ['Title,Price,Sown,Light,Uses,Hardy,Plant groups'];
        foreach (range(1, 40) as $n) {
            $rows[] = "Plant {$n},\"£1,0{$n}7.76\",".sprintf('%02d/06/2026', 1 + $n % 28)
                .',Full sun,"Pot, Cut",'.($n % 2 === 0 ? 'Y' : 'N').',"Perennials > Ferns, Perennials > Hostas"';
        }
        $import = $this->upload('plants.csv', implode("\n", $rows)."\n");
        $readings = array_column($import['readings'], null, 'column');
        $this->assertSame('“02/06/2026” is read as “2026-06-02”.', $readings['sown']['words']);
        $this->assertSame([false, true], [$readings['sown']['ambiguous'], $readings['uses']['ambiguous']]);
        $this->assertSame(['|', ';', ','], array_column($readings['groups']['forms'], 'key'));
        $checked = $this->go($import, false);
        $this->assertSame([40, 0], [$checked['result']['created'], $checked['result']['bad']]);
        $this->go($import, true);
        $plant = Item::query()->where('title', 'Plant 3')->firstOrFail();
        $this->assertEquals(
            ['price' => 1037.76, 'sown' => '2026-06-04', 'light' => 'sun', 'uses' => ['pot', 'cut'], 'hardy' => false],
            array_intersect_key($plant->fields, array_flip(['price', 'sown', 'light', 'uses', 'hardy'])),
        );
        $this->assertCount(2, $plant->term_ids);

        $asked = $this->upload('few.csv', "Title,Sown\nFern,03/04/2026\n");
        $this->assertTrue($asked['readings'][0]['ambiguous']);
        $this->go($asked, true, ['forms' => ['sown' => 'monthFirst']]);
        $this->assertSame('2026-03-04', Item::query()->where('title', 'Fern')->firstOrFail()->fields['sown']);
    }

    public function test_a_table_of_things_names_its_title_and_its_terms_after_them(): void
    {
        Term::query()->delete();
        app(CatalogueStore::class)->forget();
        $import = $this->upload('plants.csv', "Plant;Plant group\nFern;Shade plants\n");
        $this->assertSame(['Plant' => 'title', 'Plant group' => 'groups'], $import['options']['columns']);
        $this->assertTrue($import['options']['makeTerms'], 'there are no terms yet');
        $said = json_encode($this->go($import, false, ['makeTerms' => false])['result'], JSON_UNESCAPED_UNICODE);
        $this->assertStringContainsString(
            'expected the path of a term of Plant groups; there are none yet, found “Shade plants”',
            (string) $said,
        );
        $this->assertSame(1, $this->go($import, true)['result']['created']);
    }
}
