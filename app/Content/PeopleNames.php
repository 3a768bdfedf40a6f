<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\User;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;

/**
 * Items name people by e-mail. Authors are not told other people's addresses: for them, people are named by their
 * slugs.
 */
final class PeopleNames
{
    /** @var array<string, string>|null slugs by e-mail */
    private ?array $slugs = null;

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
                fn (string $email): string => $email === $who->email ? $email : $this->slugs()[$email] ?? '',
            );
    }

    /**
     * @param  array<string, mixed>  $values  by column, as the person sent them
     * @return array<string, mixed> with e-mail addresses
     */
    public function sentBy(User $who, Type $type, array $values): array
    {
        if ($who->isManager()) {
            return $values;
        }
        $emails = array_flip($this->slugs());

        return self::mapped($type, $values, fn (string $slug): string => $emails[$slug] ?? $slug);
    }

    /** How a person is named for another. */
    public static function nameFor(User $who, string $email, ?string $slug): string
    {
        return $who->isManager() || $email === $who->email ? $email : (string) $slug;
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  \Closure(string): string  $name
     * @return array<string, mixed>
     */
    private static function mapped(Type $type, array $values, \Closure $name): array
    {
        $people = array_filter(
            $type->fields + ItemReader::choiceFields(),
            fn (Field $field): bool => $field->family() === Family::Person,
        );
        foreach (array_keys(array_intersect_key($people, $values)) as $key) {
            $values[$key] = is_string($values[$key]) ? $name($values[$key]) : $values[$key];
        }

        return $values;
    }

    /** @return array<string, string> */
    private function slugs(): array
    {
        return $this->slugs ??= array_filter(User::query()->pluck('slug', 'email')->all(), is_string(...));
    }
}
