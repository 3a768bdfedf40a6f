<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use App\People\AccountLinks;
use App\People\People;
use Illuminate\Hashing\BcryptHasher;
use Illuminate\Mail\Mailer;
use Illuminate\Mail\Transport\ArrayTransport;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Mime\Email;
use Wellspring\Core\Problem\Refused;

/** Members' accounts on the site. */
final class AccountTest extends TestCase
{
    private const PASSWORD = 'a long pass phrase';

    protected function setUp(): void
    {
        parent::setUp();
        config(['mail.default' => 'array', 'site.sign_up' => true, 'app.url' => 'http://localhost']);
        $this->publishPage([
            'key' => 'home', 'address' => '/', 'title' => 'Home', 'bands' => [['key' => 'body', 'slots' => [
                ['share' => 12, 'blocks' => [
                    ['block' => 'signIn'], ['block' => 'accountLinks'],
                    ['block' => 'heading', 'text' => 'Inside', 'audience' => ['members']],
                ]],
            ]]],
        ]);
        $this->publishPage([
            'key' => 'inside', 'address' => '/inside', 'title' => 'Inside', 'audience' => ['members'],
            'whenNotForYou' => 'signIn',
        ]);
    }

    public function test_somebody_signs_up_signs_in_on_any_page_and_signs_out(): void
    {
        $this->get('/')->assertSee('Forgotten the password?')->assertSee('Sign up')->assertDontSee('Inside');
        $this->withSession([])->post('/account/sign-up', $this->form(['name' => 'Mari', 'email' => 'Mari@example.org']))
            ->assertRedirect();
        $mari = User::query()->where('email', 'mari@example.org')->firstOrFail();
        $this->assertSame(['member', false, null], [$mari->role, $mari->active, $mari->password]);
        $link = $this->linkSent('mari@example.org');
        $this->get($link)->assertOk()->assertSee('Welcome, Mari');
        $chosen = ['password' => self::PASSWORD, 'password_confirmation' => self::PASSWORD];
        $this->post($link, $this->form(['password_confirmation' => 'another'] + $chosen))->assertSessionHasErrors();
        $this->post($link, $this->form($chosen))->assertRedirect('/account');
        $this->get($link)->assertOk()->assertSee('no longer good');
        $this->assertTrue($mari->refresh()->active);
        $this->get('/account')->assertSee('Mari')->assertDontSee('Manage the site');
        $this->post('/account/sign-out', $this->form([]))->assertRedirect('/');
        $this->assertGuest();
        $session = config()->string('session.cookie');
        $left = $this->withUnencryptedCookie($session, 'of who has left')->get('/')->assertOk();
        $this->assertTrue($left->headers->getCookies()[0]->isCleared(), 'kept pages are for whoever has no session');

        $this->get('/inside')->assertUnauthorized()->assertSee('name="password"', false);
        $this->enter('wrong')->assertSessionHasErrors('email');
        $this->enter(self::PASSWORD)->assertRedirect('/inside');
        $this->assertAuthenticatedAs($mari);
        $this->enter(self::PASSWORD, '//elsewhere.example')->assertRedirect('/');
        $this->enter(self::PASSWORD, '/\\elsewhere.example')->assertRedirect('/');
        $this->get('/manage')->assertForbidden();
    }

    public function test_a_new_password_is_chosen_by_a_link_and_nobody_learns_who_has_an_account(): void
    {
        $ada = User::query()->create([
            'name' => 'Ada', 'email' => 'ada@example.org', 'role' => 'member', 'password' => 'the old one it was',
            'active' => true,
        ]);
        $ask = fn (string $where, string $email): TestResponse => $this->withSession([])
            ->from("/account/{$where}")
            ->post("/account/{$where}", $this->form(['name' => 'Somebody', 'email' => $email]));
        foreach ([['password', 'nobody@example.org'], ['password', $ada->email], ['sign-up', $ada->email]] as $one) {
            $ask(...$one)->assertSessionHas('said', 'A message with a link is on its way, if the address is right.')
                ->assertSessionHasNoErrors();
        }
        foreach (['password', 'sign-up', 'sign-in'] as $where) {
            $odd = ['name' => ['x'], 'email' => [['x']], 'password' => ['x']];
            $answer = $this->withSession([])->from("/account/{$where}")->post("/account/{$where}", $this->form($odd));
            $answer->assertRedirect("/account/{$where}");
            $this->get("/account/{$where}")->assertOk()->assertSee('name="email"', false);
        }
        $this->assertSame([$ada->email, $ada->email], array_map(
            fn (Email $one): string => $one->getTo()[0]->getAddress(),
            $this->sent(),
        ));
        $link = $this->linkSent($ada->email);
        $this->post($link, $this->form(['password' => self::PASSWORD, 'password_confirmation' => self::PASSWORD]))
            ->assertRedirect('/account');
        $this->assertTrue(Auth::attempt(['email' => $ada->email, 'password' => self::PASSWORD]));

        // Whoever was shut out stays out.
        $ada->update(['active' => false]);
        $sent = count($this->sent());
        $ask('password', $ada->email)->assertSessionHas('said');
        $this->assertCount($sent, $this->sent());
        config(['site.sign_up' => false]);
        $this->get('/account/sign-up')->assertNotFound();
        $this->get('/')->assertDontSee('Sign up');
    }

    public function test_a_stranger_who_types_an_address_voids_no_invitation_and_a_link_opens_once(): void
    {
        [$lys, $secret] = app(People::class)->invite('Lys', 'lys@example.org', 'member', []);
        $this->withSession([])->post('/account/password', $this->form(['email' => $lys->email]));
        $asked = $this->linkSent($lys->email);
        $this->assertNotSame("/account/welcome/{$secret}", $asked);
        $this->get("/account/welcome/{$secret}")->assertSee('Welcome, Lys');
        $this->travel(61)->minutes();
        $this->get($asked)->assertSee('no longer good');
        $chosen = ['password' => self::PASSWORD, 'password_confirmation' => self::PASSWORD];
        $other = app(AccountLinks::class)->forPassword($lys);
        $this->post("/account/welcome/{$secret}", $this->form($chosen))->assertRedirect('/account');
        Auth::logout();
        foreach ([$secret, $other] as $used) {
            $this->get("/account/welcome/{$used}")->assertSee('no longer good');
            $this->post("/account/welcome/{$used}", $this->form($chosen));
            $this->assertGuest();
        }
        // An invitation runs out after seven days; a closed account has no link at all.
        [$kit, $secret] = app(People::class)->invite('Kit', 'kit@example.org', 'member', []);
        $this->travel(7)->days();
        $this->get("/account/welcome/{$secret}")->assertSee('no longer good');
        $this->withSession([])->post('/account/password', $this->form(['email' => $kit->email]));
        $this->get($this->linkSent($kit->email))->assertSee('Welcome, Kit');
        app(People::class)->update($kit, 'Kit', 'member', false, []);
        $sent = count($this->sent());
        $this->withSession([])->post('/account/password', $this->form(['email' => $kit->email]));
        $this->assertCount($sent, $this->sent());
    }

    public function test_a_wrong_password_is_checked_as_long_for_somebody_as_for_nobody(): void
    {
        $hasher = new class(['rounds' => 4]) extends BcryptHasher
        {
            /** @var list<int> costs of the hashes that were checked */
            public array $checked = [];

            /** @param  array<array-key, mixed>  $options */
            public function check(#[\SensitiveParameter] $value, $hashedValue, array $options = []): bool
            {
                $cost = password_get_info($hashedValue)['options']['cost'] ?? 0;
                $this->checked[] = is_int($cost) ? $cost : 0;

                return parent::check($value, $hashedValue, $options);
            }
        };
        Hash::extend('counting', fn (): BcryptHasher => $hasher);
        config(['hashing.driver' => 'counting']);
        User::query()->create(['name' => 'Ada', 'email' => 'ada@example.org', 'password' => self::PASSWORD]);
        User::query()->create(['name' => 'Lys', 'email' => 'lys@example.org']);
        foreach (['ada@example.org', 'lys@example.org', 'nobody@example.org'] as $email) {
            $this->post('/account/sign-in', ['email' => $email, 'password' => 'wrong one']);
        }
        $this->assertSame([4, 4, 4], $hasher->checked, 'one hash of the same cost for each');
    }

    public function test_a_new_password_is_long_hard_to_guess_kept_whole_and_told(): void
    {
        $ada = User::query()->create([
            'name' => 'Ada Wren', 'email' => 'ada.wren@example.org', 'password' => self::PASSWORD,
        ]);
        $people = app(People::class);
        foreach ([
            'too short' => 'at least 12', str_repeat('long enough ', 11) => 'at most 128',
            'password12345' => 'easy', 'Pass-Word 1234567890' => 'easy', 'aaaaaaaaaaaaaa' => 'easy',
            'abcabcabcabcabc' => 'easy', 'AdaWren-2026!' => 'easy', 'ada.wren@example.org' => 'easy',
        ] as $password => $why) {
            try {
                $people->changePassword($ada, (string) $password);
                $this->fail("“{$password}” was taken.");
            } catch (Refused $refused) {
                $this->assertStringContainsString($why, $refused->getMessage());
            }
        }
        $this->assertCount(0, $this->sent());
        $long = str_repeat('ж', 100).' and an end';
        $people->changePassword($ada, $long);
        $this->assertStringStartsWith('$argon2id$', (string) $ada->password);
        $this->assertTrue(Hash::check($long, (string) $ada->password));
        $other = str_repeat('ж', 100).' and another';
        $this->assertFalse(Hash::check($other, (string) $ada->password), 'all of it counts');
        $letter = $this->sent()[0];
        $this->assertSame('ada.wren@example.org', $letter->getTo()[0]->getAddress());
        $this->assertStringContainsString('was changed', (string) $letter->getSubject());
        // A hash of an older kind opens, and is replaced.
        $older = password_hash('an older one', PASSWORD_BCRYPT);
        DB::table('users')->where('id', $ada->id)->update(['password' => $older]);
        $this->post('/account/sign-in', ['email' => $ada->email, 'password' => 'an older one'], [
            'Origin' => 'http://localhost',
        ])->assertRedirect('/');
        $this->assertAuthenticatedAs($ada);
        $this->assertStringStartsWith('$argon2id$', (string) $ada->refresh()->password);
    }

    public function test_letters_wait_in_the_outbox_and_stand_in_no_log(): void
    {
        config(['mail.default' => 'outbox']);
        [$lys] = app(People::class)->invite('Lys', 'lys@example.org', 'member', []);
        $log = $this->file('log', '');
        config(['logging.default' => 'lines', 'logging.channels.lines.handler_with.stream' => $log]);
        $this->withSession([])->post('/account/password', $this->form(['email' => $lys->email]));
        $this->assertSame('', file_get_contents($log));
        $row = DB::table('outbox_letters')->sole();
        $this->assertStringNotContainsString('welcome', json_encode($row, JSON_THROW_ON_ERROR), 'encrypted');
        $this->assertSame(0, Artisan::call('wellspring:outbox', ['--json' => true]));
        $this->assertSame('lys@example.org', json_decode(Artisan::output(), true)['to']);
        $this->assertSame(0, Artisan::call('wellspring:outbox', ['letter' => (string) $row->id]));
        preg_match('~http://localhost(/account/welcome/\w+)~', Artisan::output(), $link);
        $this->get($link[1] ?? '')->assertSee('Welcome, Lys');
        $this->assertSame(1, Artisan::call('wellspring:outbox', ['letter' => '0']));
        $this->travel(31)->days();
        Artisan::call('wellspring:tidy');
        $this->assertSame(0, DB::table('outbox_letters')->count());
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> as the form of a kept page, without a token */
    private function enter(string $password, string $to = '/inside'): TestResponse
    {
        Auth::logout();

        return $this->post('/account/sign-in', [
            'email' => 'mari@example.org', 'password' => $password, 'to' => $to,
        ]);
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private function form(array $values): array
    {
        return ['_token' => (string) csrf_token()] + $values;
    }

    /** @return list<Email> */
    private function sent(): array
    {
        $mailer = Mail::mailer('array');
        $this->assertInstanceOf(Mailer::class, $mailer);
        $transport = $mailer->getSymfonyTransport();
        $this->assertInstanceOf(ArrayTransport::class, $transport);

        return array_map(function ($sent): Email {
            $message = $sent->getOriginalMessage();
            $this->assertInstanceOf(Email::class, $message);

            return $message;
        }, array_values($transport->messages()->all()));
    }

    private function linkSent(string $to): string
    {
        $mails = $this->sent();
        $last = end($mails) ?: $this->fail('Nothing was sent.');
        $this->assertSame($to, $last->getTo()[0]->getAddress());
        preg_match('~http://localhost(/account/welcome/\w+)~', (string) $last->getTextBody(), $link);

        return $link[1] ?? $this->fail('The message has no link.');
    }
}
