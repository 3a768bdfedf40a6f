<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\People;

use App\Content\StaleWrite;
use App\Http\Created;
use App\Http\Requests\People\ChangePasswordRequest;
use App\Http\Requests\People\InviteRequest;
use App\Http\Requests\People\PeopleTableRequest;
use App\Http\Requests\People\SaveGroupRequest;
use App\Http\Requests\People\UpdatePersonRequest;
use App\Http\RequestText;
use App\Models\Group;
use App\Models\User;
use App\People\AccountLinks;
use App\People\People;
use Illuminate\Support\Facades\Hash;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * The site's people, their groups, and each person's own account.
 *
 * @phpstan-type PersonShape array{
 *     id: int, name: string, email: string, role: 'manager'|'author'|'member', active: bool, invited: bool,
 *     groups: list<int>, demoPassword: bool, items: int, signedInAt: string|null, revision: int,
 * }
 * @phpstan-type PeopleGroupShape array{id: int, key: string, name: string, people: int, revision: int}
 */
final readonly class PeopleController
{
    public function __construct(private People $people)
    {
    }

    /** @return array{people: list<PersonShape>, groups: list<PeopleGroupShape>} */
    public function index(PeopleTableRequest $request): array
    {
        $words = mb_strtolower(RequestText::text($request, 'q'));
        $found = User::byName()->with('groups')->withCount('items')
            ->when($words !== '', fn ($query) => $query->mentioning($words))
            ->when($request->filled('role'), fn ($query) => $query->where('role', RequestText::text($request, 'role')))
            ->limit(500)
            ->get();

        return [
            'people' => array_map(
                fn (User $user): array => $this->person($user, (int) $user->getAttribute('items_count')),
                array_values($found->all()),
            ),
            'groups' => $this->groups(),
        ];
    }

    /** @return Created<array{person: PersonShape, link: string, valid: string}> */
    public function invite(InviteRequest $request): Created
    {
        $given = $request->validated();
        [$user, $secret] = $this->people->invite(
            $given['name'],
            $given['email'],
            $given['role'],
            $given['groups'] ?? [],
        );

        return new Created([
            'person' => $this->person($user->load('groups'), 0),
            'link' => AccountLinks::address($secret),
            'valid' => AccountLinks::validity($user),
        ]);
    }

    /**
     * @return PersonShape
     *
     * @throws StaleWrite with the person as they are now
     */
    public function update(UpdatePersonRequest $request, int $id): array
    {
        $given = $request->validated();
        $user = User::query()->findOrFail($id);
        try {
            $user = $this->people->update(
                $user,
                $given['name'],
                $given['role'],
                (bool) $given['active'],
                $given['groups'] ?? [],
                $request->revision(true),
            );
        } catch (StaleWrite $stale) {
            throw new StaleWrite(
                $stale->revision,
                ['person' => $this->person($user->refresh()->load('groups'), 0)],
            );
        }

        return $this->person($user->load('groups'), 0);
    }

    /** @return array{link: string, valid: string} the link, and how long it is valid */
    public function link(int $id): array
    {
        $user = User::query()->findOrFail($id);

        return [
            'link' => AccountLinks::address($this->people->newLink($user)), 'valid' => AccountLinks::validity($user),
        ];
    }

    /** @return array{signedOut: true} */
    public function signOutEverywhere(int $id): array
    {
        $this->people->signOutEverywhere(User::query()->findOrFail($id));

        return ['signedOut' => true];
    }

    /** @return array{changed: true} */
    public function password(ChangePasswordRequest $request): array
    {
        $given = $request->validated();
        $user = $request->user();
        if (! $user instanceof User || ! Hash::check($given['current'], (string) $user->password)) {
            throw Refused::because('current', ProblemCode::WrongValue, 'this is not your password.');
        }
        $this->people->changePassword($user, $given['password']);
        // The current session stays signed in.
        $request->session()->put(User::SESSION_KEY, $user->session_key);

        return ['changed' => true];
    }

    /** @return list<PeopleGroupShape> */
    public function saveGroup(SaveGroupRequest $request): array
    {
        $given = $request->validated();
        $group = isset($given['id']) ? Group::query()->findOrFail((int) $given['id']) : null;
        $this->people->saveGroup($group, $given['name'], $request->revision($group !== null));

        return $this->groups();
    }

    /** @return list<PeopleGroupShape> */
    public function removeGroup(int $id): array
    {
        $this->people->removeGroup(Group::query()->findOrFail($id));

        return $this->groups();
    }

    /** @return list<PeopleGroupShape> */
    private function groups(): array
    {
        return array_values(
            Group::query()
                ->withCount('people')
                ->orderBy('name')
                ->get()
                ->map(
                    fn (Group $group): array => [
                        'id' => $group->id,
                        'key' => $group->key,
                        'name' => $group->name,
                        'people' => (int) $group->getAttribute('people_count'),
                        'revision' => $group->revision,
                    ],
                )
                ->all(),
        );
    }

    /** @return PersonShape */
    private function person(User $user, int $items): array
    {
        return [
            'id' => $user->id,
            'name' => $user->name,
            'email' => $user->email,
            'role' => $user->role,
            'active' => $user->active,
            'invited' => $user->password === null,
            'groups' => array_values($user->groups->map(fn (Group $group): int => $group->id)->all()),
            'demoPassword' => $this->people->hasDemoPassword($user),
            'items' => $items,
            'signedInAt' => $user->signed_in_at === null ? null : Iso8601::format($user->signed_in_at),
            'revision' => $user->revision,
        ];
    }
}
