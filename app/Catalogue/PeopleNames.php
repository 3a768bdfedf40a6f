<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Models\User;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Items name people by e-mail address. Authors do not see the addresses of other people: for them, people are named by
 * their slugs.
 */
final class PeopleNames
{
    /** @var array<string, string>|null slugs by e-mail */
    private ?array $slugs = null;

    /** @var array<string, string>|null e-mails by slug */
    private ?array $emails = null;

    /**
     * @param  array<string, mixed>  $values  by column
     * @return array<string, mixed> as the person may see them
     */
    public function shownTo(User $who, Type $type, array $values): array
    {
        return $who->isManager()
            ? $values
            : self::mapped(
                $type,
                $values,
                fn (string $email, string $key): string => $email === $who->email
                    ? $email
                    : $this->slugs()[$email] ?? '',
            );
    }

    /**
     * @param  array<string, mixed>  $values  by column, as the person sent them
     * @return array<string, mixed> with e-mail addresses; an author is the author of what they send
     *
     * @throws Refused where an author sends an address: the answer would tell whether it is somebody's
     */
    public function sentBy(User $who, Type $type, array $values): array
    {
        return $who->isManager() ? $values : self::mapped(
            $type,
            self::by($who, $values),
            fn (string $name, string $key): string => $this->email($who, $name, $key),
        );
    }

    /**
     * The same for a draft, which may be invalid: an address that an author typed is left out.
     *
     * @param  array<string, mixed>  $values  by column
     * @return array<string, mixed> with e-mail addresses
     */
    public function typedBy(User $who, Type $type, array $values): array
    {
        return $who->isManager() ? $values : self::mapped(
            $type,
            self::by($who, $values),
            fn (string $name, string $key): string => self::isForeign($who, $name)
                ? ''
                : $this->email($who, $name, $key),
        );
    }

    /**
     * The same for the conditions of a table.
     *
     * @param  array<array-key, mixed>  $group  of conditions, as the person sent it
     * @return array<array-key, mixed> with e-mail addresses
     *
     * @throws Refused
     */
    public function askedBy(User $who, Type $type, array $group): array
    {
        if ($who->isManager()) {
            return $group;
        }
        $field = $group['field'] ?? null;
        if (is_string($field)) {
            $isPerson = ($type->reachable[$field] ?? null)?->family() === Family::Person;
            $named = fn (mixed $name): mixed => is_string($name) ? $this->email($who, $name, $field) : $name;
            $value = $group['value'] ?? null;
            if ($isPerson && (is_string($value) || is_array($value) && array_is_list($value))) {
                $group['value'] = is_string($value) ? $named($value) : array_map($named, $value);
            }

            return $group;
        }

        return array_map(
            fn (mixed $part): mixed => is_array($part) ? $this->askedBy($who, $type, $part) : $part,
            $group,
        );
    }

    /** @throws Refused */
    private function email(User $who, string $name, string $key): string
    {
        if (self::isForeign($who, $name)) {
            throw Refused::because(
                $key,
                ProblemCode::UnknownPerson,
                'expected a person by the name that the list gives, not by an e-mail address.',
            );
        }
        $this->emails ??= array_flip($this->slugs());

        return $this->emails[$name] ?? $name;
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private static function by(User $who, array $values): array
    {
        return array_key_exists('author', $values) ? ['author' => $who->email] + $values : $values;
    }

    /** True if it is the address of another person, or of nobody. */
    private static function isForeign(User $who, string $name): bool
    {
        return str_contains($name, '@') && mb_strtolower(trim($name)) !== $who->email;
    }

    /** The name of a person for another person. */
    public static function nameFor(User $who, string $email, ?string $slug): string
    {
        return $who->isManager() || $email === $who->email ? $email : (string) $slug;
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  \Closure(string, string): string  $name  receives a name and the field that contains it
     * @return array<string, mixed>
     */
    private static function mapped(Type $type, array $values, \Closure $name): array
    {
        $people = array_filter(
            $type->fields + ItemReader::choiceFields(),
            fn (Field $field): bool => $field->family() === Family::Person,
        );
        foreach (array_keys(array_intersect_key($people, $values)) as $key) {
            $values[$key] = is_string($values[$key]) ? $name($values[$key], (string) $key) : $values[$key];
        }

        return $values;
    }

    /** @return array<string, string> */
    private function slugs(): array
    {
        return $this->slugs ??= array_filter(User::query()->pluck('slug', 'email')->all(), is_string(...));
    }
}
