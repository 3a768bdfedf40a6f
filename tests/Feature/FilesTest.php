<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Group;
use App\Models\Item;
use App\Models\Media;
use App\Models\Term;
use App\Models\User;
use App\Pages\PageStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Support\Garden;

/** What is taken in, what is made of it, what is refused. */
final class FilesTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('media');
        $this->plantType();
        $this->actingAs($this->manager());
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function send(string $name, string $bytes, string $alt = ''): TestResponse
    {
        return $this->post(
            '/manage/api/media',
            ['file' => UploadedFile::fake()->createWithContent($name, $bytes), 'alt' => $alt],
            ['Accept' => 'application/json'],
        );
    }

    /** @param  \Closure(\GdImage): mixed  $write */
    private static function image(int $width, int $height, \Closure $write, bool $clear = false): string
    {
        $image = imagecreatetruecolor(max(1, $width), max(1, $height)) ?: throw new \LogicException;
        imagealphablending($image, false);
        imagesavealpha($image, true);
        imagefill($image, 0, 0, (int) imagecolorallocatealpha($image, 30, 100, 60, $clear ? 127 : 0));
        ob_start();
        $write($image);

        return (string) ob_get_clean();
    }

    /** The sizes are read back by file(1) of Debian, which nobody here wrote. */
    public function test_a_picture_is_made_in_the_widths_of_the_site(): void
    {
        $this->send('Lady fern.JPG', self::image(1500, 900, fn (\GdImage $image) => imagejpeg($image)), 'A fern')
            ->assertCreated()
            ->assertJson(['name' => 'lady-fern.webp', 'width' => 1500, 'height' => 900, 'alt' => 'A fern']);
        $this->send(
            'clear.png',
            self::image(500, 300, fn (\GdImage $image) => imagepng($image), clear: true),
        )->assertCreated();
        $sizes = [];
        foreach (Storage::disk('media')->allFiles() as $file) {
            if (str_ends_with($file, 'clear.webp')) {
                continue; // file(1) tells no size of a WebP that is clear
            }
            $said = (string) shell_exec('file -b '.escapeshellarg(Storage::disk('media')->path($file)));
            $sizes[$file] = preg_match('/(\d{2,4}) ?x ?(\d{2,4})(?!.*\d{2,4} ?x ?\d{2,4})/', $said, $m) === 1
                ? [strtok($said, ' ,'), (int) $m[1], (int) $m[2]]
                : $said;
        }
        ksort($sizes);
        $this->assertEquals([
            'clear.png' => ['PNG', 500, 300], 'w400/clear.png' => ['PNG', 400, 240],
            'lady-fern.jpg' => ['JPEG', 1500, 900], 'lady-fern.webp' => ['RIFF', 1500, 900],
            'w1200/lady-fern.jpg' => ['JPEG', 1200, 720], 'w1200/lady-fern.webp' => ['RIFF', 1200, 720],
            'w400/lady-fern.jpg' => ['JPEG', 400, 240], 'w400/lady-fern.webp' => ['RIFF', 400, 240],
            'w800/lady-fern.jpg' => ['JPEG', 800, 480], 'w800/lady-fern.webp' => ['RIFF', 800, 480],
        ], $sizes);
        $media = Media::query()->where('name', 'lady-fern.webp')->firstOrFail();
        $this->assertSame([400, 800, 1200, 1500], $media->sizes);
        $said = ['revision' => 1, 'alt' => 'A lady fern', 'focus' => [0.1, 0.9]];
        $this->putJson("/manage/api/media/{$media->id}", $said)
            ->assertOk()
            ->assertJson(['alt' => 'A lady fern', 'focus' => [0.1, 0.9]]);
        $this->putJson("/manage/api/media/{$media->id}", ['revision' => 2, 'alt' => '', 'focus' => [2, 0]])
            ->assertUnprocessable()
            ->assertJsonMissingPath('errors.revision');
    }

    public function test_what_the_camera_noted_is_gone_and_the_picture_stands_upright(): void
    {
        $jpeg = self::image(40, 20, fn (\GdImage $image) => imagejpeg($image));
        // An Exif block (little endian, one entry: Orientation = 6, turn a quarter to the right) with a secret behind
        // it.
        $exif = "Exif\0\0II*\0\x08\0\0\0\x01\0\x12\x01\x03\0\x01\0\0\0\x06\0\0\0\0\0\0\0GPS-SECRET";
        $this->send('turned.jpg', substr($jpeg, 0, 2)."\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2))
            ->assertCreated()
            ->assertJson(['width' => 20, 'height' => 40]);
        foreach (Storage::disk('media')->allFiles() as $file) {
            $this->assertStringNotContainsString('GPS-SECRET', (string) Storage::disk('media')->get($file));
        }
    }

    public function test_hostile_files_are_refused_whatever_they_are_called(): void
    {
        $png = self::image(60, 60, fn (\GdImage $image) => imagepng($image));
        foreach ([
            'shell.jpg' => '<?php system($_GET["c"]);',
            'drawing.svg' => '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>1</script></svg>',
            'page.pdf' => '<html><script>1</script></html>',
            'program.pdf' => "\x7FELF\x02\x01\x01".str_repeat("\0", 60),
            'script.txt' => "#!/bin/sh\nrm -rf /\n",
            'cut.png' => substr($png, 0, 50),
            'nothing.pdf' => '',
        ] as $name => $bytes) {
            $this->send($name, $bytes)->assertUnprocessable();
        }
        $this->send('bomb.png', substr_replace($png, pack('N2', 30_000, 30_000), 16, 8))
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.code', 'tooManyPixels');
        $this->assertSame([0, []], [Media::query()->count(), Storage::disk('media')->allFiles()]);
        $this->send('../../../etc/Price list.PDF', "%PDF-1.4\n1 0 obj\n<<>>\nendobj\ntrailer\n<<>>\n%%EOF")
            ->assertCreated()
            ->assertJson(['name' => 'price-list.pdf', 'kind' => 'file']);
        $this->send('a.txt.php', "Opening hours\n")->assertCreated()->assertJsonPath('name', 'a-txt.txt');
    }

    public function test_a_file_tells_where_it_is_used_and_goes_only_when_it_is_not(): void
    {
        $png = self::image(60, 60, fn (\GdImage $image) => imagepng($image));
        foreach (['one', 'two', 'three', 'four', 'five'] as $name) {
            $this->send("{$name}.png", $png)->assertCreated();
        }
        $this->plant([
            'title' => 'Fern',
            'picture' => 'one.webp',
            'shots' => ['two.webp', 'one.webp'],
            'text' => '<p><img src="/media/three.webp" alt=""></p>',
        ]);
        Term::query()->where('taxonomy_key', 'groups')->where('slug', 'ferns')->update(['picture' => 'four.webp']);
        $used = array_map(
            fn (array $uses): array => array_column($uses, 'title'),
            array_column((array) $this->getJson('/manage/api/media')->assertOk()->json('media'), 'used', 'name'),
        );
        $this->assertEquals(
            [
                'one.webp' => ['Fern'],
                'two.webp' => ['Fern'],
                'three.webp' => ['Fern'],
                'four.webp' => ['Ferns'],
                'five.webp' => [],
            ],
            $used,
        );
        $id = fn (string $name): int => Media::query()->where('name', $name)->firstOrFail()->id;
        foreach (['one.webp', 'two.webp', 'three.webp', 'four.webp'] as $name) {
            $this->deleteJson("/manage/api/media/{$id($name)}")->assertUnprocessable();
        }
        $this->deleteJson("/manage/api/media/{$id('five.webp')}")->assertOk();
        $this->assertNotContains('five.webp', Storage::disk('media')->allFiles());
        $this->assertSame(4, $this->getJson('/manage/api/media?alt=missing&kind=picture')->json('total'));
        $this->assertSame(['two.webp'], array_column($this->getJson('/manage/api/media?q=TWO')->json('media'), 'name'));
    }

    /** Whoever may see something that uses a file gets it; who works on the site gets every file. */
    public function test_a_file_is_for_whoever_may_see_what_uses_it(): void
    {
        $this->travelTo('2026-06-01 12:00:00+00');
        $friends = Group::query()->create(['key' => 'friends', 'name' => 'Friends']);
        $picture = fn (string $name): array => ['block' => 'picture', 'picture' => "{$name}.webp"];
        $body = fn (string $name): array => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [
            $picture($name),
        ]]]]];
        $item = fn (string $name, array $values) => $this->plant($values + [
            'title' => $name, 'picture' => "{$name}.webp", 'status' => 'published', 'publish_at' => '2026-05-01',
        ]);
        $page = fn (string $name, array $more = []) => app(PageStore::class)->apply(app(PageStore::class)->read([
            'format' => 1, 'key' => $name, 'address' => "/{$name}", 'title' => $name, 'bands' => $body($name),
        ] + $more));
        $live = fn (string $name, array $more = []) => app(PageStore::class)->publish($page($name, $more));
        $all = ['visitor', 'member', 'friend', 'author', 'manager'];
        $staff = ['author', 'manager'];
        $cases = [
            'live' => [$all, fn () => $item('live', [])],
            'draft' => [$staff, fn () => $item('draft', ['status' => 'draft'])],
            'to-come' => [$staff, fn () => $item('to-come', ['publish_at' => '2026-06-02'])],
            'over' => [$staff, fn () => $item('over', ['expire_at' => '2026-05-31'])],
            'inside' => [['member', 'friend', ...$staff], fn () => $item('inside', ['audience' => ['members']])],
            'among' => [['friend', ...$staff], fn () => $item('among', ['audience' => ['group:friends']])],
            'told' => [$all, fn () => $this->plant([
                'title' => 'told', 'publish_at' => '2026-05-01',
                'text' => '<p><img src="/media/w400/told.jpg" alt=""></p>',
            ])],
            'both' => [$all, fn () => [$item('both', ['status' => 'draft']), $item('both', ['title' => 'Other'])]],
            'unused' => [$staff, fn () => null],
            'term' => [$all, fn () => Term::query()->where('slug', 'ferns')->update(['picture' => 'term.webp'])],
            'page' => [$all, fn () => $live('page')],
            'page-draft' => [$staff, fn () => $page('page-draft')],
            'page-inside' => [
                ['member', 'friend', ...$staff], fn () => $live('page-inside', ['audience' => ['members']]),
            ],
            'page-over' => [$staff, fn () => $live('page-over', ['until' => '2026-05-01T00:00:00Z'])],
            'frame' => [$all, fn () => $this->publishFrame(['footer' => [$picture('frame') + ['on' => 'everywhere']]])],
            'module' => [$all, fn () => $this->placeOn($this->pageAt('/list'), Garden::module([
                'card' => ['lines' => [['parts' => [
                    ['part' => 'picture', 'empty' => ['do' => 'standIn', 'picture' => 'module.webp']],
                ]]]],
            ]))],
        ];
        foreach ($cases as $name => [, $make]) {
            Media::query()->create([
                'name' => "{$name}.webp", 'kind' => 'picture', 'mime' => 'image/jpeg', 'width' => 800, 'height' => 600,
                'bytes' => 1, 'sizes' => [400, 800],
            ]);
            $make();
        }
        $person = fn (string $role): User => User::query()->create([
            'name' => $role, 'email' => "{$role}@example.org", 'role' => $role === 'friend' ? 'member' : $role,
        ])->refresh();
        $people = [
            'visitor' => null, 'member' => $person('member'), 'friend' => $person('friend'),
            'author' => $person('author'), 'manager' => $person('manager'),
        ];
        $people['friend']->groups()->sync([$friends->id]);
        $seen = array_fill_keys(array_keys($cases), []);
        foreach ($people as $who => $user) {
            $this->app['auth']->forgetGuards();
            $this->app->forgetScopedInstances();
            $user === null ?: $this->actingAs($user)
                ->withUnencryptedCookie(config()->string('session.cookie'), 'brought along');
            foreach ($cases as $name => [$expected]) {
                $answer = $this->get("/media/w400/{$name}.jpg");
                if ($answer->status() === 404) {
                    $this->assertNull($answer->headers->get('X-Accel-Redirect'));

                    continue;
                }
                $seen[$name][] = $who;
                $answer->assertOk()->assertHeader('X-Accel-Redirect', "/stored-media/w400/{$name}.jpg");
                $this->assertStringContainsString(
                    $user === null && $expected === $all ? 'public' : 'private',
                    (string) $answer->headers->get('Cache-Control'),
                );
            }
        }
        $this->assertSame(array_map(fn (array $case): array => $case[0], $cases), $seen);
        $this->get('/media/../live.webp')->assertNotFound();
        $this->get('/media/live.webp/x')->assertNotFound();
    }

    public function test_rich_text_keeps_its_form_and_loses_what_does_harm(): void
    {
        $hostile = '<h2 onclick="x()">Head</h2><script>alert(1)</script><a href="javascript:alert(1)">a</a><a '
            .'href="/shop">b</a><img src="x" onerror="alert(1)"><img src="javascript:1"><iframe '
                .'src="//evil"></iframe><ul><li '
                    .'style="background:url(javascript:1)">one</li></ul><svg><script>1</script></svg><math><mi '
                        .'xlink:href="data:x">1</mi></math><p>“quoted” <em>and</em> so</p>';
        $made = $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => 'X', 'text' => $hostile, 'story' => $hostile]],
        )->assertCreated();
        foreach ([$made->json('values.text'), $made->json('values.story')] as $kept) {
            $this->assertDoesNotMatchRegularExpression(
                '/script|onclick|onerror|javascript|iframe|style=|svg|math|data:/i',
                $kept,
            );
            $link = '<a href="/shop" rel="noopener">b</a>';
            foreach (['<h2>Head</h2>', $link, '<li>one</li>', '<em>and</em>'] as $stays) {
                $this->assertStringContainsString($stays, $kept);
            }
        }
        $this->assertSame(1, Item::query()->count());
    }
}
