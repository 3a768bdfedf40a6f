<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Look\OwnStyles;
use App\Models\Media;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Process;
use Tests\Support\Garden;
use Wellspring\Core\Look\DesignTokens;
use Wellspring\Core\Look\ShippedLooks;

/** How listings look: cards to the end, what shows instead, and the site's looks from Manage to the style sheet. */
final class LooksTest extends TestCase
{
    private User $manager;

    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        $this->manager = $this->manager();
        $this->plant(['title' => 'Fern', 'height' => 40, 'price' => 6.5, 'groups' => ['ferns']]);
        $this->plant(['title' => 'Moss', 'nickname' => 'Softie']);
        $this->plant(['title' => 'Yew']);
    }

    public function test_what_is_left_of_cards_is_printed_and_the_gaps_are_named(): void
    {
        $module = Garden::module(['order' => [['by' => 'title']], 'card' => ['lines' => [
            ['parts' => [['part' => 'title']]],
            ['parts' => [['part' => 'field', 'field' => 'height', 'empty' => [
                'do' => 'use', 'field' => 'nickname', 'then' => ['do' => 'leaveOutCard'],
            ]], ['part' => 'price', 'empty' => ['do' => 'say', 'text' => 'Ask']]]],
        ]]]);
        $this->placeOn($this->pageAt('/'), $module);
        Artisan::call('wellspring:run', ['key' => 'plants', '--cards' => true, '--json' => true]);
        $said = json_decode(Artisan::output(), true);
        $this->assertIsArray($said);
        $this->assertSame([['step' => 'empty', 'left' => 2], ['step' => 'total', 'left' => 2]], array_slice(
            $said['steps'],
            -2,
        ), 'the one whose card is left out is a step of the run');
        $part = fn (string $part, string $shows, string $text): array => ['part' => $part]
            + ($part === 'field' ? ['field' => 'height'] : []) + ['shows' => $shows, 'text' => $text];
        $this->assertSame([
            [[$part('title', 'value', 'Fern')], [
                $part('field', 'value', "40\u{A0}cm"), $part('price', 'value', '£6.50'),
            ]],
            [[$part('title', 'value', 'Moss')], [$part('field', 'other', 'Softie'), $part('price', 'said', 'Ask')]],
        ], array_column($said['cards'], 'lines'));
        $this->assertSame("plant:{$said['items'][0]['id']}", $said['cards'][0]['key']);

        $gaps = $this->actingAs($this->manager)->postJson('/manage/api/bench/gaps', [
            'definition' => $module->toArray(), 'part' => 'card.lines[1].parts[1]',
        ])->assertOk();
        $this->assertSame(['Moss', 'Yew'], array_column((array) $gaps->json('records'), 'title'));
        $this->postJson('/manage/api/bench/gaps', [
            'definition' => $module->toArray(), 'part' => 'card.lines[9].parts[0]',
        ])->assertUnprocessable();
    }

    public function test_another_module_shows_where_one_has_nothing(): void
    {
        $none = ['where' => ['all' => [['field' => 'title', 'test' => 'is', 'value' => 'Nothing']]]];
        $page = $this->pageAt('/');
        $show = fn (string $key, string $other): array => $none + [
            'key' => $key, 'name' => "The {$key}", 'whenNothing' => ['do' => 'show', 'module' => $other],
        ];
        $this->placeOn($this->pageAt('/elsewhere'), Garden::module(['key' => 'all', 'name' => 'All of them']));
        $this->placeOn($page, Garden::module($show('first', 'second')));
        $this->placeOn($this->pageAt('/second'), Garden::module($show('second', 'all')));
        $this->get('/')->assertSee('All of them')->assertSee('Fern')->assertDontSee('The first');
        $this->placeOn($this->pageAt('/second'), Garden::module($show('second', 'first')));
        // A circle ends.
        $this->get('/')->assertDontSee('The first')->assertDontSee('The second');
        $said = $none + ['key' => 'first', 'name' => 'The first', 'whenNothing' => [
            'do' => 'say', 'html' => '<p>All <em>gone</em><script>x()</script></p>',
        ]];
        $this->placeOn($page, Garden::module($said));
        $this->get('/')->assertSee('All <em>gone</em>', false)->assertDontSee('x()', false);
    }

    public function test_a_look_is_saved_measured_published_and_known_by_its_content(): void
    {
        $this->placeOn($this->pageAt('/'), Garden::module());
        $sheet = fn (): string => preg_match(
            '~href="(/look/[0-9a-f]+\.css)"~',
            (string) $this->get('/')->getContent(),
            $found,
        ) === 1 ? $found[1] : '';
        $before = $sheet();
        $css = $this->get($before)->assertOk()->assertHeader('Cache-Control', 'immutable, max-age=31536000, public');
        $this->assertStringContainsString('--paper:#fdfcf7', (string) $css->getContent());
        $this->assertStringContainsString('@font-face', (string) $css->getContent());
        $this->assertLessThan(12_000, strlen((string) gzencode((string) $css->getContent(), 9)), 'at most 12 kB');
        $styled = Garden::module(['key' => 'styled', 'look' => ['title' => ['weight' => 'bold']]]);
        $own = '~rel="stylesheet" href="(?!'.preg_quote($before).')(/look/[0-9a-f]{20}\.css)"~';
        $this->assertDoesNotMatchRegularExpression($own, (string) $this->get('/')->getContent());
        $this->placeOn($this->pageAt('/'), $styled);
        preg_match($own, (string) $this->get('/')->getContent(), $found);
        $rules = (string) $this->get($found[1] ?? '/no')->assertOk()->getContent();
        $this->assertStringContainsString('.module-title-weight-bold', $rules);
        $this->get('/look/0123456789abcdef0123.css')->assertNotFound();

        $this->actingAs($this->manager);
        $look = $this->getJson('/manage/api/looks/quillmoor')->assertOk();
        $definition = ['colours' => ['quiet' => '#c0c0c0'] + $look->json('definition.colours')]
            + $look->json('definition');
        $measured = $this->postJson('/manage/api/looks/measure', ['definition' => $definition])->assertOk();
        $pale = array_values(array_filter(
            (array) $measured->json('light'),
            fn (array $pair): bool => $pair['level'] === 'fails',
        ));
        $this->assertSame(['quiet', 'quiet'], array_column($pale, 'text'));
        $this->assertMatchesRegularExpression('/^#[0-9a-f]{6}$/', $pale[0]['nearest']);
        $this->assertSame($before, $sheet(), 'nothing is live before it is made so');
        $this->putJson('/manage/api/looks/quillmoor/draft', ['definition' => $definition, 'revision' => 0])->assertOk();
        $this->putJson('/manage/api/looks/quillmoor/draft', ['definition' => $definition, 'revision' => 0])
            ->assertConflict();
        $this->putJson('/manage/api/looks/other/draft', ['definition' => $definition, 'revision' => 0])
            ->assertUnprocessable();
        $page = $this->postJson('/manage/api/looks/preview', ['definition' => $definition, 'address' => '/']);
        $this->assertStringContainsString($measured->json('sheet'), $page->assertOk()->json('html'));
        $this->postJson('/manage/api/looks/quillmoor/publish')->assertOk()->assertJsonPath('live', true);
        $this->assertSame($measured->json('sheet'), $sheet());
        $this->assertStringContainsString('--quiet:#c0c0c0', (string) $this->get($sheet())->getContent());
        $this->assertStringContainsString('--quiet:#56655f', (string) $this->get($before)->assertOk()->getContent());

        $this->deleteJson('/manage/api/looks/quillmoor')->assertUnprocessable();
        $this->postJson('/manage/api/looks/slate-house/publish')->assertOk();
        $this->assertSame(1, count(array_filter(
            (array) $this->getJson('/manage/api/looks')->json('looks'),
            fn (array $one): bool => $one['live'] && $one['key'] === 'slate-house',
        )));
        $tokens = $this->getJson('/manage/api/looks/slate-house/tokens')->assertOk()->json();
        $made = $this->postJson('/manage/api/looks', ['name' => 'Slate house', 'tokens' => $tokens])->assertCreated();
        $this->assertSame('slate-house-2', $made->json('key'));
        $this->postJson('/manage/api/looks', ['name' => 'X', 'tokens' => ['size' => []]])->assertUnprocessable();
        $this->deleteJson('/manage/api/looks/slate-house-2')->assertOk();
    }

    /** By @terrazzo/parser 2, which others wrote for the format of the W3C's Design Tokens Community Group. */
    public function test_the_tokens_of_every_look_are_what_others_read(): void
    {
        foreach (ShippedLooks::all() as $look) {
            $read = Process::path(base_path())
                ->input(json_encode(DesignTokens::of($look), JSON_THROW_ON_ERROR))
                ->run(['node', 'tests/Support/tokens.mjs']);
            $this->assertTrue($read->successful(), $read->errorOutput());
            $tokens = json_decode($read->output(), true);
            $this->assertIsArray($tokens);
            foreach ($look->colours->toArray() as $role => $hex) {
                $this->assertSame('color', $tokens["color.{$role}"]['type']);
                $this->assertSame($hex, $tokens["color.{$role}"]['value']['hex']);
                $components = array_map(
                    fn (int|float $part): string => sprintf('%02x', (int) round($part * 255)),
                    $tokens["color.{$role}"]['value']['components'],
                );
                $this->assertSame($hex, '#'.implode('', $components));
            }
            foreach (['size.text', 'space.step', 'radius.corner'] as $name) {
                $this->assertSame('dimension', $tokens[$name]['type']);
            }
            $this->assertSame('fontFamily', $tokens['font.heading']['type']);
            $this->assertSame(
                ['fontWeight', $look->number('type', 'weight')],
                array_values($tokens['weight.heading']),
            );
        }
    }

    public function test_a_picture_of_a_wall_opens_the_video_that_it_stands_for(): void
    {
        foreach (['fern.webp' => 'image/webp', 'film.mp4' => 'video/mp4'] as $name => $mime) {
            $size = $mime === 'image/webp' ? ['width' => 800, 'height' => 600, 'sizes' => [400, 800]] : [];
            Media::query()->create($size + ['name' => $name, 'mime' => $mime, 'bytes' => 1, 'alt' => '']);
        }
        $films = ['Bare' => null, 'Gone' => 'gone.mp4', 'Here' => 'film.mp4', 'There' => 'https://b.example/v'];
        foreach ($films as $title => $film) {
            $values = ['title' => $title, 'nickname' => 'W', 'picture' => 'fern.webp', 'film' => $film];
            $this->plant(array_filter($values));
        }
        $this->placeOn($this->pageAt('/'), Garden::module([
            'where' => ['all' => [['field' => 'nickname', 'test' => 'is', 'value' => 'W']]],
            'order' => [['by' => 'title', 'direction' => 'up']],
            'arrange' => ['as' => 'wall'],
            'card' => ['lines' => [['parts' => [['part' => 'picture', 'video' => 'film']]]]],
        ]));
        $html = (string) $this->get('/')->getContent();
        preg_match_all('~<a class="large-view" href="(?:https?://localhost)?([^"]+)"([^>]*)>~', $html, $links);
        $this->assertSame(
            ['/media/fern.jpg', '/media/fern.jpg', '/media/film.mp4', 'https://b.example/v'],
            $links[1],
        );
        $this->assertSame(
            [false, false, true, true],
            array_map(fn (string $rest): bool => str_contains($rest, 'data-video'), $links[2]),
            'a film that is gone leaves the picture',
        );
    }

    public function test_a_style_sheet_of_the_sites_own_stays_in_its_place(): void
    {
        $safe = (new OwnStyles)->safe(<<<'CSS'
            @import url("https://elsewhere.example/x.css");
            @font-face { font-family: X; src: url(x.woff2) }
            body, .card h3 { color: red; background: url(https://elsewhere.example/x.png); position: fixed }
            @media (min-width: 40em) { .card { padding: 1rem } }
            .x { behavior: url(x.htc); width: expression(alert(1)) }
            CSS);
        foreach (['elsewhere', 'import', 'font-face', 'url(', 'fixed', 'behavior', 'expression'] as $word) {
            $this->assertStringNotContainsString($word, $safe);
        }
        $this->assertStringContainsString('#content .card h3', $safe);
        $this->assertStringContainsString('#content body', $safe, 'and so it stands for nothing');
        $this->assertMatchesRegularExpression('/@media[^{]+\{\s*#content \.card\s*\{\s*padding:\s*1rem/', $safe);
        foreach ([
            'a { position: var(--p) }', 'a { p\\6fsition: fixed }', 'a { position: f\\69xed }',
            'a { background: src("https://elsewhere.example/") }', 'a { --p: src("https://elsewhere.example/") }',
            'a { background: u\\72l(https://elsewhere.example/) }',
            'a { content: image-set("https://elsewhere.example/") }',
            '~ footer { color: red }', '+ aside { color: red }', 'a[x=" { color: red }', 'a { width: calc(1px }',
            'a { --x: {} }', '@container (width > 1px) { a { color: red } }',
        ] as $escape) {
            $this->assertDoesNotMatchRegularExpression(
                '/elsewhere|position|footer|aside|x=|calc|--x|container/',
                str_replace('#content{contain:layout paint', '', (new OwnStyles)->safe($escape)),
                $escape,
            );
        }
        $fine = (new OwnStyles)->safe('.a[href^="/x"] > b { position: relative; --w: calc((1px + 2px) * 3) }');
        $this->assertStringContainsString('position:relative', $fine);
        $this->assertStringContainsString('--w:calc((1px+2px)*3)', str_replace(' ', '', $fine));
        $this->assertStringStartsWith('#content{contain:layout paint', $fine);
        $this->assertSame('', (new OwnStyles)->safe('  '));
        $this->assertNotNull((new OwnStyles)->fault('.a { color: red'));
        $this->assertNull((new OwnStyles)->fault('.a { color: red }'));
    }
}
