<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Group;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;

/** Keeps the site's people: who they are, what they may do, and that somebody always manages the site. */
final readonly class People
{
    /** Days that an invitation holds. */
    public const INVITATION_DAYS = 7;

    /**
     * @param  list<int>  $groups  ids
     * @return array{User, string} with the secret that the link of the invitation carries; it is kept only as a hash
     */
    public function invite(string $name, string $email, string $role, array $groups): array
    {
        $email = mb_strtolower(trim($email));
        $owner = User::query()->where('email', $email)->first();
        if ($owner !== null) {
            throw Refused::because('email', 'taken', "{$owner->name} has this e-mail address already.");
        }
        $user = User::query()->create(['name' => trim($name), 'email' => $email, 'role' => $role]);
        $user->groups()->sync($groups);

        return [$user, $this->newLink($user)];
    }

    /** A new secret for setting a password; an older one no longer opens. */
    public function newLink(User $user): string
    {
        $secret = Str::random(40);
        $user->update(['invitation' => hash('sha256', $secret), 'invited_until' => now()->addDays(self::INVITATION_DAYS)]);

        return $secret;
    }

    public function invited(string $secret): ?User
    {
        return User::query()->where('invitation', hash('sha256', $secret))->where('invited_until', '>', now())->where('active', true)->first();
    }

    /**
     * Refused when nobody would be left to manage the site.
     *
     * @param  list<int>  $groups  ids
     */
    public function update(User $user, string $name, string $role, bool $active, array $groups): User
    {
        return DB::transaction(function () use ($user, $name, $role, $active, $groups): User {
            $managers = User::query()->where('role', 'manager')->where('active', true)->whereNotNull('password')->lockForUpdate()->pluck('id');
            if (($role !== 'manager' || ! $active) && $managers->all() === [$user->id]) {
                throw Refused::because($active ? 'role' : 'active', 'lastManager', "{$user->name} is the last manager; make another one first.");
            }
            $user->update(['name' => trim($name), 'role' => $role, 'active' => $active]);
            $user->groups()->sync($groups);
            if (! $active) {
                $this->signOutEverywhere($user);
            }

            return $user;
        });
    }

    /** Every browser has to sign in anew. */
    public function signOutEverywhere(User $user): void
    {
        DB::table('sessions')->where('user_id', $user->id)->delete();
        $user->setRememberToken(Str::random(60));
        $user->save();
    }

    /** Other browsers have to sign in anew; the session at hand stays. */
    public function changePassword(User $user, string $password): void
    {
        $user->update(['password' => $password, 'invitation' => null, 'invited_until' => null]);
        DB::table('sessions')->where('user_id', $user->id)->where('id', '<>', session()->getId())->delete();
    }

    public function saveGroup(?Group $group, string $name): Group
    {
        $group ??= new Group(['key' => $this->freeKey($name)]);
        $group->fill(['name' => trim($name)])->save();

        return $group;
    }

    private function freeKey(string $name): string
    {
        for ($base = $key = Slug::from($name), $n = 2; Group::query()->where('key', $key)->exists(); $n++) {
            $key = "{$base}-{$n}";
        }

        return $key;
    }
}
