<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ContentType;
use App\Models\Group;
use App\Models\Item;
use App\Models\Module;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Symfony\Component\Console\Output\BufferedOutput;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Tests\Support\Garden;
use Wellspring\Core\Text\Html;

final class CommandsTest extends TestCase
{
    public function test_an_import_tells_line_column_and_reason_and_writes_nothing_while_a_row_is_wrong(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Lady fern', 'slug' => 'lady-fern']);
        $csv = "\u{FEFF}title,slug,price,groups,text\r\n"
            ."\"Hart’s-tongue\r\nfern\",harts-tongue,4.20,Perennials > Ferns,\"She said \"\"moss\"\"\"\r\n"
            ."Royal fern,royal,4;20,Perennials > Cacti,\r\n"
            ."Lady fern again,lady-fern,3,,\r\n"
            ."Twice,harts-tongue,3,,\r\n"
            ."Too,few\r\n"
            ."\"Bad \xC3\x28 bytes\",,,,\r\n";
        $file = $this->file('csv', $csv);
        [$code, $said] = $this->command('wellspring:items:import', ['file' => $file, '--type' => 'plant']);
        $this->assertSame(1, $code);
        foreach ([
            'line 4, column price: expected a number',
            'line 4, column groups: expected the path of a term',
            'line 5, column slug: “lady-fern” is taken by “Lady fern”',
            'line 6, column slug: “harts-tongue” stands on line 2 already',
            'line 7: expected 5 cells',
            'line 8, column title: expected text in UTF-8',
            '5 rows are wrong; nothing was written',
        ] as $told) {
            $this->assertStringContainsString($told, $said);
        }
        $this->assertSame(1, Item::query()->count());

        [$code] = $this->command(
            'wellspring:items:import',
            ['file' => $file, '--type' => 'plant', '--skip-bad' => true],
        );
        $this->assertSame(0, $code);
        $item = Item::query()->with('terms')->where('slug', 'harts-tongue')->firstOrFail();
        $this->assertSame(
            ['Hart’s-tongue fern', 4.2, 'She said "moss"', ['ferns']],
            [
                $item->title,
                $item->fields['price'],
                Html::visibleText((string) $item->text),
                $item->terms->pluck('slug')->all(),
            ],
        );
        $this->assertSame(2, Item::query()->count());
    }

    public function test_an_import_can_change_what_is_there_and_leaves_other_columns_alone(): void
    {
        $this->plantType();
        $this->plant([
            'title' => 'Lady fern',
            'slug' => 'lady-fern',
            'price' => 4,
            'nickname' => 'Lady',
            'groups' => ['ferns'],
        ]);
        [$code, $said] = $this->command(
            'wellspring:items:import',
            [
                'file' => $this->file('csv', "slug,title,price\nlady-fern,Lady fern,5.5\nroyal-fern,Royal fern,9\n"),
                '--type' => 'plant',
                '--update' => true,
            ],
        );
        $this->assertSame(0, $code, $said);
        $this->assertStringContainsString('1 items made, 1 changed', $said);
        $item = Item::query()->with('terms')->where('slug', 'lady-fern')->firstOrFail();
        $this->assertEquals(['price' => 5.5, 'nickname' => 'Lady'], $item->fields);
        $this->assertSame([2, ['ferns']], [$item->revision, $item->terms->pluck('slug')->all()]);
    }

    public function test_files_that_cannot_be_imported_at_all_are_refused_whole(): void
    {
        $this->plantType();
        foreach ([
            ['csv', "name,price\nx,1\n", 'line 1, column 1: “name” is not a column'],
            ['csv', "title,title\nx,y\n", 'line 1, column 2: “title” stands in the header twice'],
            ['csv', "price\n1\n", 'the column “title” is missing'],
            ['csv', '', 'line 1: the file is empty'],
            ['csv', "title,text\na,\"open\nb,c\n", 'line 2: a quote is opened in this row and never closed'],
            ['json', '"title"', 'expected a list of objects, or one object a line'],
            ['json', '[{"title": "x"', 'the file is not JSON'],
            ['json', "[\"\xC3\x28\"]", 'the file is not in UTF-8'],
        ] as [$ending, $content, $told]) {
            [$code, $said] = $this->command(
                'wellspring:items:import',
                ['file' => $this->file($ending, $content), '--type' => 'plant'],
            );
            $this->assertSame(1, $code);
            $this->assertStringContainsString($told, $said);
        }
        [$code, $said] = $this->command(
            'wellspring:items:import',
            [
                'file' => $this->file('json', '[7, {"title": "Moss", "price": "4"}, {"title": "Fern", "colour": 1}]'),
                '--type' => 'plant',
            ],
        );
        $this->assertSame(1, $code);
        foreach (['item 1: expected an object, found 7', 'item 2, column price: expected a number', 'item 3, column '
            .'colour: is not a column of plant'] as $told) {
            $this->assertStringContainsString($told, $said);
        }
        $this->assertSame(0, Item::query()->count());
        $this->assertSame(2, $this->command('wellspring:items:import', ['file' => 'x.csv', '--type' => 'tractor'])[0]);
        $this->assertSame(
            1,
            $this->command('wellspring:items:import', ['file' => '/no/such/file.csv', '--type' => 'plant'])[0],
        );
    }

    public function test_a_type_is_not_changed_in_a_way_that_harms_what_is_there(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'nickname' => 'Lady']);
        $this->apply(['order' => [['by' => 'sown']]], true);
        $file = Garden::plantFile();
        unset($file['properties']['nickname']);
        $this->assertStringContainsString(
            'properties.nickname: Nickname goes, and with it the value of 1 item',
            $this->refused($file),
        );
        $file = Garden::plantFile();
        $file['properties']['nickname'] = ['type' => 'number', 'x-wellspring' => ['kind' => 'number']];
        $this->assertStringContainsString(
            'the value of 1 item cannot be held any more and goes',
            $this->refused($file),
        );
        $file = Garden::plantFile();
        unset($file['properties']['sown']);
        $this->assertStringContainsString(
            'The module “Plants” orders by the field Sown. Remove it there first.',
            $this->refused($file),
        );
        $this->assertStringContainsString(
            '“tractor.json” cannot be read',
            $this->command('wellspring:types:apply', ['file' => 'tractor.json'])[1],
        );
        $file = Garden::plantFile();
        unset($file['properties']['watered']);
        $file['properties']['soil'] = ['x-wellspring' => ['kind' => 'text']];
        $this->assertSame(
            0,
            $this->command(
                'wellspring:types:apply',
                ['file' => $this->file('json', json_encode($file, JSON_THROW_ON_ERROR))],
            )[0],
        );
        $this->assertArrayHasKey('soil', ContentType::query()->findOrFail('plant')->definition['properties']);
    }

    public function test_modules_are_applied_published_exported_and_run(): void
    {
        $this->plantType();
        foreach (['Moss' => 3, 'Fern' => 1, 'Sage' => 2] as $title => $price) {
            $this->plant(['title' => $title, 'price' => $price, 'publish_at' => '2026-01-01']);
        }
        $this->plant(['title' => 'Later', 'price' => 0, 'publish_at' => '2030-01-01']);
        $this->plant(['title' => 'For members', 'price' => 9, 'publish_at' => '2026-01-01', 'audience' => 'members']);
        $rules = [
            'order' => [['by' => 'price']],
            'page' => ['mode' => 'numbered', 'size' => 2],
            'pin' => ['sage', 'thistle'],
            'where' => ['all' => [['field' => 'price', 'test' => 'gt', 'value' => 0]]],
        ];
        [$code, $said] = $this->apply($rules);
        $this->assertSame(0, $code);
        $this->assertStringContainsString('pin[1]: no Plant has the slug “thistle” at present', $said);
        $this->assertStringContainsString('not live', $this->command('wellspring:run', ['key' => 'plants'])[1]);

        $run = fn (array $more = []): array => json_decode(
            $this->command('wellspring:run', ['key' => 'plants', '--json' => true] + $more)[1],
            true,
            16,
            JSON_THROW_ON_ERROR,
        );
        $draft = $run(['--draft' => true]);
        $this->assertSame(
            ['plants', 3, 2, 1, ['Sage', 'Fern']],
            [
                $draft['module'],
                $draft['total'],
                $draft['pages'],
                $draft['page'],
                array_column($draft['items'], 'title'),
            ],
        );
        $this->assertSame(
            [
                ['step' => 'source', 'left' => 3],
                ['step' => 'where.all[0]', 'left' => 3],
                ['step' => 'choices', 'left' => 3],
                ['step' => 'leaveOut', 'left' => 3],
                ['step' => 'empty', 'left' => 3],
                ['step' => 'total', 'left' => 3],
            ],
            $draft['steps'],
        );
        $this->assertSame(['id', 'type', 'slug', 'title'], array_keys($draft['items'][0]));

        $this->assertSame(0, $this->apply($rules, true)[0]);
        $this->assertSame(['Moss'], array_column($run(['--page' => '2'])['items'], 'title'));
        $this->assertSame(4, $run(['--as' => 'members'])['total']);
        $this->assertSame(
            [4, 0],
            [$run(['--on' => '2031-01-01', '--as' => 'members'])['total'], $run(['--on' => '2025-01-01'])['total']],
        );
        foreach (['0', '-1', 'x', '1000000000'] as $page) {
            [$code, $said] = $this->command('wellspring:run', ['key' => 'plants', '--page' => $page]);
            $this->assertSame(1, $code);
            $this->assertStringContainsString(
                "There is no page “{$page}”; expected a whole number from 1 to 2.",
                $said,
            );
        }
        $this->assertStringContainsString(
            '--on: expected a moment',
            $this->command('wellspring:run', ['key' => 'plants', '--on' => 'noon'])[1],
        );
        $this->assertStringContainsString(
            '--as: expected',
            $this->command('wellspring:run', ['key' => 'plants', '--as' => 'cats'])[1],
        );

        $exported = $this->command('wellspring:modules:export', ['key' => 'plants'])[1];
        $this->assertSame(0, $this->command('wellspring:modules:apply', ['file' => $this->file('json', $exported)])[0]);
        $this->assertSame(
            $exported,
            $this->command('wellspring:modules:export', ['key' => 'plants', '--live' => true])[1],
            'what goes out comes in unchanged',
        );
        $this->assertSame(1, $this->command('wellspring:modules:export', ['key' => 'nettles'])[0]);
    }

    public function test_a_wrong_definition_is_refused_and_the_former_one_stays(): void
    {
        $this->plantType();
        $this->apply(['pin' => ['a']], true);
        [$code, $said] = $this->apply(
            ['where' => ['all' => [['field' => 'colour', 'test' => 'is', 'value' => 'red']]], 'page' => ['size' => 0]],
            true,
        );
        $this->assertSame(1, $code);
        $this->assertStringContainsString(
            'where.all[0].field: “colour” is not a field of plant; expected one of: title,',
            $said,
        );
        $this->assertStringContainsString('page.size: expected a whole number from 1 to 200, found 0.', $said);
        $this->assertSame(['a'], Module::query()->where('key', 'plants')->firstOrFail()->live['pin'] ?? null);
    }

    public function test_a_module_is_run_and_traced_for_whomever_and_on_whatever_page(): void
    {
        $this->plantType();
        Group::query()->create(['key' => 'friends', 'name' => 'Friends']);
        $ada = User::query()->create(['name' => 'Ada', 'email' => 'ada@example.org', 'role' => 'member']);
        $ada->groups()->sync(Group::query()->pluck('id'));
        foreach ([
            'Fern' => ['audience' => ['everyone'], 'groups' => ['ferns'], 'sown' => '2026-05-01'],
            'Moss' => ['audience' => ['members'], 'groups' => ['perennials'], 'sown' => '2026-06-01'],
            'Sage' => ['audience' => ['group:friends'], 'groups' => ['shrubs'], 'sown' => '2026-05-09'],
            'Yew' => ['audience' => ['signed-out', 'group:friends'], 'groups' => ['shrubs'], 'sown' => '2025-05-01'],
        ] as $title => $values) {
            $this->plant(['title' => $title, 'publish_at' => '2026-01-01'] + $values);
        }
        $this->apply(['order' => [['by' => 'title']]], true);
        $page = fn (string $field, array $value): array => [
            'order' => [['by' => 'title']],
            'where' => [
                'all' => [[
                    'field' => $field,
                    'test' => $field === 'groups' ? 'anyOf' : 'on',
                    'value' => ['from' => 'page'] + $value,
                ]],
            ],
        ];
        $titles = fn (array $options): array => array_column(json_decode(
            $this->command('wellspring:run', ['key' => 'plants', '--json' => true] + $options)[1],
            true,
            16,
            JSON_THROW_ON_ERROR,
        )['items'], 'title');
        $this->assertSame(['Fern'], $titles(['--as' => 'everyone']));
        $this->assertSame(['Fern', 'Yew'], $titles([]));
        $this->assertSame(['Fern', 'Moss'], $titles(['--as' => 'members']));
        $this->assertSame(['Fern', 'Moss', 'Sage', 'Yew'], $titles(['--as' => 'members,group:friends']));
        $this->assertSame(['Fern', 'Moss', 'Sage', 'Yew'], $titles(['--person' => 'ada@example.org']));
        $trace = $this->command('wellspring:trace', ['key' => 'plants', 'slug' => 'sage', '--as' => 'members'])[1];
        $this->assertStringContainsString('It is only for the group friends.', $trace);

        $this->apply($page('groups', ['take' => 'term']), true);
        $this->assertSame(['Fern'], $titles(['--about' => 'term:groups/ferns']));
        $this->assertSame(['Yew'], $titles(['--about' => 'item:plant/yew']), 'the terms that the page’s item has');
        $this->assertSame([], $titles(['--about' => 'month:2026-05']));
        $this->apply($page('sown', ['take' => 'month']), true);
        $this->assertSame(['Fern'], $titles(['--about' => 'month:2026-05']));
        $this->assertSame(
            ['Fern', 'Moss', 'Sage'],
            $titles(['--about' => 'year:2026', '--person' => 'ada@example.org']),
        );
        foreach ([
            ['--as', 'members,signed-out', '--as: expected everyone, signed-out or members'],
            ['--as', 'members,group:cats', '--as: there is no group “cats”.'],
            ['--person', 'nobody@example.org', '--person: expected the e-mail address of one of the site’s people'],
            ['--about', 'item:plant/cat', '--about: there is no item “plant/cat”'],
            ['--about', 'term:groups/cats', '--about: there is no term “groups/cats”'],
            ['--about', 'month:2026-13', '--about: expected item:TYPE/SLUG'],
            ['--about', 'year:2026-05', '--about: expected item:TYPE/SLUG'],
        ] as [$option, $given, $said]) {
            $answer = $this->command('wellspring:run', ['key' => 'plants', $option => $given]);
            $this->assertSame(1, $answer[0]);
            $this->assertStringContainsString($said, $answer[1]);
        }
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return array{int, string}
     */
    private function apply(array $rules, bool $publish = false): array
    {
        $definition = $rules + [
            'format' => 1,
            'key' => 'plants',
            'name' => 'Plants',
            'source' => ['items' => ['plant']],
        ];

        return $this->command(
            'wellspring:modules:apply',
            ['file' => $this->file('json', json_encode($definition, JSON_THROW_ON_ERROR)), '--publish' => $publish],
        );
    }

    /** @param  array<string, mixed>  $file */
    private function refused(array $file): string
    {
        $before = ContentType::query()->findOrFail('plant')->definition;
        [$code, $said] = $this->command(
            'wellspring:types:apply',
            ['file' => $this->file('json', json_encode($file, JSON_THROW_ON_ERROR))],
        );
        $this->assertSame(1, $code);
        $this->assertSame($before, ContentType::query()->findOrFail('plant')->definition);

        return $said;
    }

    /**
     * @param  array<string, mixed>  $arguments
     * @return array{int, string} the exit code, and what was said on both outputs
     */
    private function command(string $name, array $arguments): array
    {
        $this->app->forgetScopedInstances();
        $output = new class extends BufferedOutput implements ConsoleOutputInterface
        {
            public function getErrorOutput(): static
            {
                return $this;
            }

            public function setErrorOutput(\Symfony\Component\Console\Output\OutputInterface $error): void
            {
            }

            public function section(): \Symfony\Component\Console\Output\ConsoleSectionOutput
            {
                throw new \LogicException('No command here uses sections.');
            }
        };

        return [Artisan::call($name, $arguments, $output), $output->fetch()];
    }
}
