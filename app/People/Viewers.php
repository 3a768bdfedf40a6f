<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Group;
use App\Models\User;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Who\Viewer;

/** Makes the viewer for a person, a preview or a command. */
final readonly class Viewers
{
    public static function of(User $user): Viewer
    {
        return Viewer::member(
            $user->email,
            array_values(array_filter($user->groups()->pluck('key')->all(), is_string(...))),
            $user->isManager(),
        );
    }

    /**
     * @param  string  $as  `everyone`, `signed-out`, or `members` with groups: `members,group:friends`; empty if only
     *   the person is given
     * @param  string  $person  e-mail of a signed-in person; empty for none
     * @param  string  $asPlace  where it was given, for problems
     *
     * @throws Refused
     */
    public function asked(string $as, string $person, string $asPlace = 'as', string $personPlace = 'person'): Viewer
    {
        $user = $person === '' ? null : User::query()->where('email', mb_strtolower($person))->first();
        if ($person !== '' && $user === null) {
            $message = "expected the e-mail address of one of the site’s people, found “{$person}”.";
            throw Refused::because($personPlace, ProblemCode::UnknownPerson, $message);
        }
        $keys = $as === '' ? [] : explode(',', $as);
        if ($user !== null && ($keys === [] || $keys === [Audience::MEMBERS])) {
            return self::of($user);
        }
        if ($user === null && ($keys === [] || $keys === [Audience::SIGNED_OUT])) {
            return Viewer::signedOut();
        }
        if ($user === null && $keys === [Audience::EVERYONE]) {
            return Viewer::anyone();
        }

        return Viewer::member($user?->email, $this->groups($as, $keys, $asPlace), $user?->isManager() ?? false);
    }

    /**
     * @param  list<string>  $keys
     * @return list<string> keys of groups
     *
     * @throws Refused
     */
    private function groups(string $as, array $keys, string $place): array
    {
        $groups = [];
        foreach ($keys as $key) {
            if (str_starts_with($key, Audience::GROUP)) {
                $groups[] = substr($key, strlen(Audience::GROUP));
            } elseif ($key !== Audience::MEMBERS) {
                $expected = 'everyone, signed-out or members, members with groups behind it (members,group:friends)';
                throw Refused::because($place, ProblemCode::WrongValue, "expected {$expected}, found “{$as}”.");
            }
        }
        $known = Group::query()->whereIn('key', $groups)->pluck('key')->all();
        foreach (array_diff($groups, $known) as $unknown) {
            throw Refused::because($place, ProblemCode::UnknownGroup, "there is no group “{$unknown}”.");
        }

        return $groups;
    }
}
