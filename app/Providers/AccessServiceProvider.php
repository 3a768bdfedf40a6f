<?php

declare(strict_types=1);

namespace App\Providers;

use App\Audit\Actor;
use App\Audit\ClientNetwork;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;

/** Registers the gates of Manage and the rate limits. */
final class AccessServiceProvider extends ServiceProvider
{
    /** Number of suggestions for one search. */
    private const SUGGESTIONS = 8;

    /** Requests per minute for one account, and for one address, which several people may share. */
    private const LIMITS = ['uploads' => [300, 600], 'exports' => [10, 30], 'passwords' => [10, 30]];

    public function boot(): void
    {
        // `enter` opens Manage; `manage` is for managers only. Policies decide about a person's own items.
        Gate::define(
            'enter',
            fn (User $user): Response => in_array($user->role, ['manager', 'author'], true)
                ? Response::allow()
                : Response::deny('Only managers and authors come in here.'),
        );
        Gate::define(
            'manage',
            fn (User $user): Response => $user->isManager()
                ? Response::allow()
                : Response::deny('Only managers do this.'),
        );
        // Searches are not cached. The limit is far above what a person can read.
        RateLimiter::for('search', fn (Request $request): Limit => Limit::perMinute(
            config()->integer('site.searches_a_minute'),
        )->by(self::network($request)));
        // The browser requests suggestions every few letters while a visitor types.
        RateLimiter::for('suggest', fn (Request $request): Limit => Limit::perMinute(
            self::SUGGESTIONS * config()->integer('site.searches_a_minute'),
        )->by('suggest '.self::network($request)));
        foreach (self::LIMITS as $what => [$account, $address]) {
            RateLimiter::for($what, fn (Request $request): array => [
                Limit::perMinute($account)->by("{$what} of ".(Actor::id() ?? '')),
                Limit::perMinute($address)->by("{$what} from ".self::network($request)),
            ]);
        }
        // Mails are also limited by recipient, so that nobody gets many mails without asking for them.
        RateLimiter::for('letters', function (Request $request): array {
            $email = $request->input('email');

            return [
                Limit::perMinute(10)->by('letters from '.self::network($request)),
                Limit::perHour(10)->by('letters to '.mb_strtolower(is_string($email) ? mb_scrub($email) : '')),
            ];
        });
    }

    /** The key of a limit: all addresses of one network count as one client. */
    private static function network(Request $request): string
    {
        return ClientNetwork::of((string) $request->ip());
    }
}
