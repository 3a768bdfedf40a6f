<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Links to choose a password. The secret is stored as a hash. Each link works once, and its use voids all other links
 * of the person. A requested link voids none: otherwise a stranger who types an address could void an invitation.
 */
final class AccountLinks
{
    /** Validity of an invitation in days. */
    public const INVITATION_DAYS = 7;

    /** Validity of a link for a new password in minutes. */
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

    /** True if the person was invited or signed up, and has not chosen a password yet. */
    public function isInvited(User $user): bool
    {
        return DB::table('account_links')->where('user_id', $user->id)->where('kind', self::INVITATION)->exists();
    }

    public function person(string $secret): ?User
    {
        $id = $this->valid($secret)->value('user_id');

        return is_int($id) ? self::admitted($id) : null;
    }

    /** Redeems the link: of several requests with the same link, only one gets the person. */
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

    /** Removes expired links for passwords. Invitations stay, so that the person can request another. */
    public function prune(): int
    {
        return DB::table('account_links')->where('kind', self::PASSWORD)->where('until', '<=', now())->delete();
    }

    /** The validity of a new link for the person: `7 days`. */
    public static function validity(User $user): string
    {
        return $user->password === null ? self::INVITATION_DAYS.' days' : self::PASSWORD_MINUTES.' minutes';
    }

    /** The address of a link. */
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

    /** A person who signed up may use the link; a person with a closed account may not. */
    private static function admitted(int $id): ?User
    {
        return User::query()
            ->whereKey($id)
            ->where(fn ($query) => $query->where('active', true)->orWhereNull('password'))
            ->first();
    }
}
