<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Wording\SiteWords;

/**
 * The rules for passwords (OWASP ASVS 4.0, 2.1): long ones, and none of the most common. No characters are required or
 * forbidden.
 */
final class PasswordPolicy
{
    public const MIN_CHARACTERS = 12;

    public const MAX_CHARACTERS = 128;

    /** Minimum length of a name that counts as part of a password. */
    private const NAME_CHARACTERS = 3;

    /** Parts of the most common passwords of this length, from memory. They are removed before the rest is measured. */
    private const COMMON = [
        'password', 'passwort', 'motdepasse', 'contrasena', 'qwertyuiop', 'qwerty', 'azerty', 'asdfghjkl', 'zxcvbnm',
        '1234567890', '123456789', '123456', '1q2w3e4r5t', '1q2w3e4r', 'abcdefgh', 'administrator', 'admin', 'iloveyou',
        'letmein', 'welcome', 'changeme', 'football', 'superman', 'trustno1', 'princess', 'sunshine', 'monkey',
        'dragon', 'master', 'secret', 'login', '2024', '2025', '2026',
    ];

    /** Minimum number of characters that remain without them. */
    private const REST = 6;

    /** @throws Refused with the fault in the given language */
    public static function check(string $password, User $user, SiteWords $words): void
    {
        $length = mb_strlen($password);
        $fault = match (true) {
            $password === DemoAccounts::PASSWORD => [
                ProblemCode::Published, $words->text('account.demoPassword'),
            ],
            $length < self::MIN_CHARACTERS => [
                ProblemCode::WrongValue, $words->text('account.tooShort', ['n' => self::MIN_CHARACTERS]),
            ],
            $length > self::MAX_CHARACTERS => [
                ProblemCode::WrongValue, $words->text('account.tooLong', ['n' => self::MAX_CHARACTERS]),
            ],
            self::isEasy($password, $user) => [
                ProblemCode::WrongValue, $words->text('account.easy'),
            ],
            default => null,
        };
        if ($fault !== null) {
            throw Refused::because('password', ...$fault);
        }
    }

    private static function isEasy(string $password, User $user): bool
    {
        $folded = (string) preg_replace('/[\s_.-]+/u', '', Fold::of($password));
        $names = array_filter(
            (array) preg_split('/[^\p{L}\p{N}]+/u', Fold::of("{$user->name} {$user->email}")),
            fn (mixed $name): bool => is_string($name) && mb_strlen($name) >= self::NAME_CHARACTERS,
        );
        $rest = str_replace([...self::COMMON, ...array_filter($names, is_string(...))], '', $folded);

        return mb_strlen($rest) < self::REST || preg_match('/^(.{1,5}?)\1+$/u', $folded) === 1;
    }
}
