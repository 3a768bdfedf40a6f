<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Links under which a person chooses a password. The secret is stored as a hash. Each link works once; using one voids
 * all others of the same person. A link that somebody asks for voids none: otherwise a stranger who types an address
 * could void an invitation.
 */
final class AccountLinks
{
    /** Days that an invitation is valid. */
    public const INVITATION_DAYS = 7;

    /** Minutes that a link for a new password is valid. */
    public const PASSWORD_MINUTES = 60;

    private const INVITATION = 'invitation';

    private const PASSWORD = 'password';

    /** @return string the secret of an invitation; older invitations of the person no longer open */
    public function invite(User $user): string
    {
        DB::table('account_links')->where('user_id', $user->id)->where('kind', self::INVITATION)->delete();

        return $this->add($user, self::INVITATION, now()->addDays(self::INVITATION_DAYS));
    }

    /** @return string the secret of a link for a new password */
    public function forPassword(User $user): string
    {
        return $this->add($user, self::PASSWORD, now()->addMinutes(self::PASSWORD_MINUTES));
    }

    /** Whether the person was invited or signed up, and has not chosen a password yet. */
    public function isInvited(User $user): bool
    {
        return DB::table('account_links')->where('user_id', $user->id)->where('kind', self::INVITATION)->exists();
    }

    public function person(string $secret): ?User
    {
        $id = $this->valid($secret)->value('user_id');

        return is_int($id) ? self::admitted($id) : null;
    }

    /** Takes the link back: of several requests with the same link, one gets the person. */
    public function redeem(string $secret): ?User
    {
        return DB::transaction(function () use ($secret): ?User {
            $id = $this->valid($secret)->lockForUpdate()->value('user_id');
            $user = is_int($id) ? self::admitted($id) : null;
            if ($user !== null) {
                $this->void($user);
            }

            return $user;
        });
    }

    public function void(User $user): void
    {
        DB::table('account_links')->where('user_id', $user->id)->delete();
    }

    /** Removes links for passwords that have expired; an invitation stays, so that its person can ask for another. */
    public function prune(): int
    {
        return DB::table('account_links')->where('kind', self::PASSWORD)->where('until', '<=', now())->delete();
    }

    /** How long a link that is made now for the person is valid: `7 days`. */
    public static function validity(User $user): string
    {
        return $user->password === null ? self::INVITATION_DAYS.' days' : self::PASSWORD_MINUTES.' minutes';
    }

    /** The address that a link leads to. */
    public static function address(string $secret, string $place = 'manage'): string
    {
        return rtrim(config()->string('app.url'), '/')."/{$place}/welcome/{$secret}";
    }

    private function add(User $user, string $kind, \DateTimeInterface $until): string
    {
        $secret = Str::random(40);
        DB::table('account_links')->insert([
            'user_id' => $user->id, 'secret' => hash('sha256', $secret), 'kind' => $kind, 'until' => $until,
        ]);

        return $secret;
    }

    private function valid(string $secret): Builder
    {
        return DB::table('account_links')->where('secret', hash('sha256', $secret))->where('until', '>', now());
    }

    /** A person who signed up is let in by the link; a person whose account was closed is not. */
    private static function admitted(int $id): ?User
    {
        return User::query()
            ->whereKey($id)
            ->where(fn ($query) => $query->where('active', true)->orWhereNull('password'))
            ->first();
    }
}
