<?php

declare(strict_types=1);

namespace App\People;

use App\Audit\AuditTrail;
use App\Content\StaleWrite;
use App\Database\FreeName;
use App\Enums\AuditAction;
use App\Models\Group;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\SiteWords;

/** Manages the site's people and their roles, and keeps at least one manager. */
final readonly class People
{
    public function __construct(private AccountLinks $links)
    {
    }

    /**
     * @param  list<int>  $groups  ids
     * @return array{User, string} with the secret that the link of the invitation carries; it is kept only as a hash
     */
    public function invite(string $name, string $email, string $role, array $groups): array
    {
        $email = mb_strtolower(trim($email));
        $owner = User::query()->where('email', $email)->first();
        if ($owner !== null) {
            throw Refused::because('email', ProblemCode::Taken, "{$owner->name} has this e-mail address already.");
        }
        $user = new User(['name' => Whitespace::trim($name), 'email' => $email, 'role' => $role]);
        if (! $user->insertUnderFreeSlug()) {
            throw Refused::because('email', ProblemCode::Taken, 'Somebody got this e-mail address a moment ago.');
        }
        $user->groups()->sync($groups);
        AuditTrail::record(AuditAction::Invited, $user->name, ['email' => $user->email, 'role' => $role]);

        return [$user, $this->links->invite($user)];
    }

    /**
     * A link for an existing person: an invitation until they have chosen a password, then a link for a new password.
     *
     * @return string its secret
     */
    public function newLink(User $user): string
    {
        return $user->password === null ? $this->links->invite($user) : $this->links->forPassword($user);
    }

    public function invited(string $secret): ?User
    {
        return $this->links->person($secret);
    }

    /**
     * Sets the password of the link's person, and redeems the link.
     *
     * @return User|null null if the link is not valid, or no longer
     *
     * @throws Refused when it is no password to choose; the link stays
     */
    public function choosePassword(string $secret, string $password, SiteWords $words): ?User
    {
        $user = $this->links->person($secret);
        $user === null || PasswordPolicy::check($password, $user, $words);

        return DB::transaction(function () use ($secret, $password): ?User {
            $user = $this->links->redeem($secret);
            if ($user !== null) {
                $this->changePassword($user, $password);
            }

            return $user;
        });
    }

    /**
     * Updates a person. Refused if no manager would remain.
     *
     * @param  list<int>  $groups  ids
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite
     */
    public function update(
        User $user,
        string $name,
        string $role,
        bool $active,
        array $groups,
        ?int $revision = null,
    ): User {
        return DB::transaction(function () use ($user, $name, $role, $active, $groups, $revision): User {
            $managers = User::query()
                ->where('role', 'manager')
                ->where('active', true)
                ->whereNotNull('password')
                ->lockForUpdate()
                ->pluck('id');
            $user = User::query()->lockForUpdate()->findOrFail($user->id);
            StaleWrite::unless($user->revision, $revision);
            if (($role !== 'manager' || ! $active) && $managers->all() === [$user->id]) {
                throw Refused::because(
                    $active ? 'role' : 'active',
                    ProblemCode::LastManager,
                    "{$user->name} is the last manager; make another one first.",
                );
            }
            $before = [
                'name' => $user->name,
                'role' => $user->role,
                'active' => $user->active,
                'groups' => $user->groups()->orderBy('key')->pluck('key')->all(),
            ];
            $user->update([
                'name' => Whitespace::trim($name),
                'role' => $role,
                'active' => $active,
                'revision' => $user->revision + 1,
            ]);
            $user->groups()->sync($groups);
            $after = [
                'name' => $user->name,
                'role' => $user->role,
                'active' => $user->active,
                'groups' => $user->groups()->orderBy('key')->pluck('key')->all(),
            ];
            if (! $active) {
                $this->links->void($user);
                $this->endSessions($user);
            }
            if ($before !== $after) {
                AuditTrail::record(
                    AuditAction::AccountChanged,
                    $user->name,
                    ['email' => $user->email, 'before' => $before, 'after' => $after],
                );
            }

            return $user;
        });
    }

    /** Every browser must sign in again. */
    public function signOutEverywhere(User $user): void
    {
        $this->endSessions($user);
        AuditTrail::record(AuditAction::SignedOutEverywhere, $user->name, ['email' => $user->email]);
    }

    /**
     * Ends the person’s sessions in every browser, and informs them by mail if they had a password before.
     *
     * @throws Refused when it is no password to choose
     */
    public function changePassword(User $user, string $password): void
    {
        PasswordPolicy::check($password, $user, SiteWords::of('en'));
        $isNew = $user->password === null;
        $user->update(['password' => $password, 'active' => true]);
        $this->links->void($user);
        $this->endSessions($user);
        AuditTrail::record(AuditAction::PasswordChanged, $user->name, ['email' => $user->email]);
        if (! $isNew) {
            Mail::to($user->email)->queue(new PasswordChanged($user->name));
        }
    }

    private function endSessions(User $user): void
    {
        $user->session_key = Str::random(40);
        $user->setRememberToken(Str::random(60));
        $user->save();
    }

    /**
     * @param  Group|null  $group  null: a new one
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite
     */
    public function saveGroup(?Group $group, string $name, ?int $revision = null): Group
    {
        $name = Whitespace::trim($name);
        if ($group !== null) {
            return DB::transaction(function () use ($group, $name, $revision): Group {
                $group = Group::query()->lockForUpdate()->findOrFail($group->id);
                StaleWrite::unless($group->revision, $revision);
                AuditTrail::record(AuditAction::GroupSaved, $name, ['before' => $group->name]);
                $group->update(['name' => $name, 'revision' => $group->revision + 1]);

                return $group;
            });
        }
        AuditTrail::record(AuditAction::GroupSaved, $name, []);
        $group = new Group(['name' => $name]);
        $base = Slug::from($name);
        FreeName::insert($group, 'key', [], fn (int $n): string => $n === 1 ? $base : "{$base}-{$n}");

        return $group;
    }

    public function removeGroup(Group $group): void
    {
        AuditTrail::record(AuditAction::GroupRemoved, $group->name, ['people' => $group->people()->count()]);
        $group->delete();
    }

    /** True if the account still has the published password of the demo. */
    public function hasDemoPassword(User $user): bool
    {
        if ($user->password === null || ! str_ends_with($user->email, '@'.DemoAccounts::DOMAIN)) {
            return false;
        }

        // Comparing hashes is slow by design, so each is compared once.
        return (bool) Cache::remember(
            'demo-password:'.hash('sha256', $user->password),
            86_400,
            fn (): int => Hash::check(DemoAccounts::PASSWORD, (string) $user->password) ? 1 : 0,
        );
    }
}
