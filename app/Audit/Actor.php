<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;

/**
 * The person who acts, and where the action comes from. In a request, the session names the person. In a queued job, it
 * is the person who started the job. A command has no person.
 */
final class Actor
{
    /** The default origin. */
    public const COMMAND = 'command';

    private const ORIGIN = 'origin';

    public static function id(): ?int
    {
        $id = Auth::id();

        return is_numeric($id) ? (int) $id : null;
    }

    /** Also null before anything has identified the person. */
    public static function user(): ?User
    {
        $user = Auth::hasUser() ? Auth::user() : null;

        return $user instanceof User ? $user : null;
    }

    /** @param  string  $origin  such as an IP address */
    public static function comesFrom(string $origin): void
    {
        // Not in the log, because an IP address is personal data.
        Context::addHidden(self::ORIGIN, $origin);
    }

    public static function origin(): string
    {
        $origin = Context::getHidden(self::ORIGIN);

        return is_string($origin) ? $origin : self::COMMAND;
    }

    /** Acts as somebody else from now on, or as nobody. */
    public static function become(?int $user): void
    {
        Auth::forgetGuards();
        if ($user !== null) {
            Auth::onceUsingId($user);
        }
    }
}
