<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\User;
use App\People\People;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** Who may do what, who comes in, and that somebody always manages the site. */
final class PeopleTest extends TestCase
{
    public function test_someone_is_invited_chooses_a_password_and_signs_in(): void
    {
        $this->actingAs($this->manager());
        $group = $this->putJson('/manage/api/groups', ['name' => 'Gardeners'])->assertOk()->json('0.id');
        $made = $this->postJson(
            '/manage/api/people',
            ['name' => 'Osric Vale', 'email' => ' Osric@Example.org', 'role' => 'author', 'groups' => [$group]],
        )->assertCreated();
        $made->assertJson(['person' => ['email' => 'osric@example.org', 'invited' => true, 'groups' => [$group]]]);
        $this->postJson('/manage/api/people', ['name' => 'Again', 'email' => 'OSRIC@example.org', 'role' => 'author'])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'email');
        $this->postJson('/manage/api/people', ['name' => '', 'email' => 'no address', 'role' => 'king'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['name', 'email', 'role']);
        $link = (string) parse_url((string) $made->json('link'), PHP_URL_PATH);
        $this->assertStringNotContainsString(
            basename($link),
            (string) json_encode(DB::table('users')->get()),
            'the secret itself is not kept',
        );

        Auth::logout();
        $this->post('/manage/sign-in', ['email' => 'osric@example.org', 'password' => ''])->assertSessionHasErrors();
        $this->get($link)->assertOk()->assertSee('Welcome, Osric Vale');
        $this->get('/manage/welcome/guessed')->assertSee('no longer good');
        $this->post(
            $link,
            ['password' => 'short', 'password_confirmation' => 'short'],
        )->assertSessionHasErrors(['password']);
        $this->post(
            $link,
            ['password' => 'long enough now', 'password_confirmation' => 'another one'],
        )->assertSessionHasErrors(['password']);
        $this->post(
            $link,
            ['password' => 'long enough now', 'password_confirmation' => 'long enough now'],
        )->assertRedirect();
        $this->assertAuthenticated();
        Auth::logout();
        $this->get($link)->assertSee('no longer good');
        $this->post(
            '/manage/sign-in',
            ['email' => 'Osric@example.org', 'password' => 'long enough now'],
        )->assertRedirect();
        $this->assertSame('Osric Vale', $this->getJson('/manage/api/start')->json('user.name'));
        $this->putJson(
            '/manage/api/password',
            ['current' => 'wrong', 'password' => 'another long one'],
        )->assertUnprocessable();
        $this->putJson(
            '/manage/api/password',
            ['current' => 'long enough now', 'password' => 'another long one'],
        )->assertOk();
        $this->assertTrue(Auth::validate(['email' => 'osric@example.org', 'password' => 'another long one']));
        Auth::logout();
        $osric = User::query()->where('email', 'osric@example.org')->firstOrFail();
        [$first, $second] = [app(People::class)->newLink($osric), app(People::class)->newLink($osric)];
        $this->get("/manage/welcome/{$first}")->assertSee('Welcome');
        $this->travel(59)->minutes();
        $this->get("/manage/welcome/{$second}")->assertSee('Welcome');
        $this->travel(1)->minutes();
        $this->get("/manage/welcome/{$second}")->assertSee('no longer good');
    }

    public function test_the_last_manager_stays_and_who_goes_is_out_at_once(): void
    {
        $manager = $this->manager();
        $other = User::query()->create([
            'name' => 'Other',
            'email' => 'other@example.org',
            'password' => 'a long password',
            'role' => 'manager',
        ]);
        $invited = User::query()->create(['name' => 'Invited', 'email' => 'invited@example.org', 'role' => 'manager']);
        $this->actingAs($manager);
        $put = fn (User $user, array $change) => $this->putJson(
            "/manage/api/people/{$user->id}",
            $change + [
                'name' => $user->name, 'role' => 'manager', 'active' => true, 'revision' => $user->refresh()->revision,
            ],
        );
        $key = $other->refresh()->session_key;
        $put($other, ['active' => false])->assertOk();
        $this->assertNotSame($key, $other->refresh()->session_key, 'signed out everywhere');
        $this->assertFalse(
            Auth::validate(['email' => 'other@example.org', 'password' => 'a long password', 'active' => true]),
        );
        foreach ([['active' => false], ['role' => 'author'], ['role' => 'member']] as $change) {
            $put($manager, $change)->assertUnprocessable()->assertJsonPath('problems.0.code', 'lastManager');
        }
        $this->assertSame('manager', $manager->refresh()->role, 'an invitation that nobody took up is no manager');
        $put($other, ['active' => true])->assertOk();
        $put($manager, ['role' => 'author'])->assertOk();
        $this->flushSession();
        $this->actingAs($other->refresh())->postJson("/manage/api/people/{$manager->id}/sign-out")->assertOk();
        $put($other, ['active' => false])->assertUnprocessable();
        $other->update(['active' => false]);
        $this->actingAs($other)->getJson('/manage/api/start')->assertUnauthorized();
        $this->assertNull($invited->password);
    }

    public function test_authors_have_their_own_items_and_members_have_none_of_it(): void
    {
        $this->plantType();
        $this->manager();
        $author = User::query()
            ->create([
                'name' => 'Osric',
                'email' => 'o@example.org',
                'password' => 'a long password',
                'role' => 'author',
            ])
            ->refresh();
        $member = User::query()
            ->create([
                'name' => 'Linnet',
                'email' => 'l@example.org',
                'password' => 'a long password',
                'role' => 'member',
            ])
            ->refresh();
        $theirs = $this->plant(['title' => 'Theirs', 'author' => 'm@example.org']);
        $this->actingAs($author);
        $own = $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => 'Mine', 'author' => 'm@example.org']],
        )
            ->assertCreated()
            ->assertJsonPath('values.author', 'o@example.org')
            ->json('id');
        $this->assertSame(
            ['Mine'],
            array_column($this->getJson('/manage/api/items?type=plant')->json('items'), 'title'),
        );
        $this->putJson(
            "/manage/api/items/{$own}",
            ['revision' => 1, 'values' => ['title' => 'Mine still', 'author' => null]],
        )
            ->assertOk()
            ->assertJsonPath('values.author', 'o@example.org');
        foreach (['get' => ['', '/revisions', '/shown'], 'put' => [''], 'delete' => ['']] as $method => $paths) {
            foreach ($paths as $path) {
                $this->json(
                    $method,
                    "/manage/api/items/{$theirs->id}{$path}",
                    ['revision' => 1, 'values' => []],
                )->assertForbidden();
            }
        }
        $this->postJson(
            '/manage/api/items/many',
            ['type' => 'plant', 'do' => 'delete', 'ids' => [$theirs->id]],
        )->assertUnprocessable();
        $this->postJson(
            '/manage/api/items/many',
            [
                'type' => 'plant',
                'do' => 'set',
                'ids' => [$own],
                'with' => ['values' => ['author' => 'm@example.org', 'light' => 'sun']],
            ],
        )->assertJson(['done' => 1]);
        $this->assertSame($author->id, Item::query()->where('id', $own)->value('author_id'));
        foreach ([
            'get' => ['modules', 'types', 'taxonomies', 'people', 'by-hand/plant'],
            'put' => ['types', 'taxonomies'],
            'post' => ['people', 'imports', 'sets/apply', 'terms/merge', 'exports/plant'],
        ] as $method => $paths) {
            foreach ($paths as $path) {
                $this->json($method, "/manage/api/{$path}")->assertForbidden();
            }
        }
        $this->assertSame(1, Item::query()->where('title', 'Theirs')->count());
        $this->actingAs($member)->getJson('/manage/api/items?type=plant')->assertForbidden();
        Auth::logout();
        $this->post(
            '/manage/sign-in',
            ['email' => 'l@example.org', 'password' => 'a long password'],
        )->assertSessionHasErrors();
    }
}
