<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;

/**
 * Who acts, and from where. A request says so by its session and its middleware, a queued job by whoever began it; a
 * command acts as nobody.
 */
final class Actor
{
    /** The origin where nobody said another. */
    public const COMMAND = 'command';

    private const ORIGIN = 'origin';

    public static function id(): ?int
    {
        $id = Auth::id();

        return is_numeric($id) ? (int) $id : null;
    }

    /** Null, too, while nobody has asked yet who it is. */
    public static function user(): ?User
    {
        $user = Auth::hasUser() ? Auth::user() : null;

        return $user instanceof User ? $user : null;
    }

    /** @param  string  $origin  such as an IP address */
    public static function comesFrom(string $origin): void
    {
        // Not in the log: an address belongs to a person.
        Context::addHidden(self::ORIGIN, $origin);
    }

    public static function origin(): string
    {
        $origin = Context::getHidden(self::ORIGIN);

        return is_string($origin) ? $origin : self::COMMAND;
    }

    /** Acts as somebody else from here on, or as nobody. */
    public static function become(?int $user): void
    {
        Auth::forgetGuards();
        if ($user !== null) {
            Auth::onceUsingId($user);
        }
    }
}
