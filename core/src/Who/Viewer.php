<?php

declare(strict_types=1);

namespace Wellspring\Core\Who;

/** The viewer: whether they are signed in, their identity, and their groups. */
final readonly class Viewer
{
    /**
     * @param  bool|null  $isSignedIn  null: unknown; they see only what is for everyone
     * @param  string|null  $person  e-mail
     * @param  list<string>  $groups  keys, sorted
     */
    private function __construct(
        public ?bool $isSignedIn,
        public ?string $person = null,
        public array $groups = [],
        public bool $isManager = false,
    ) {
    }

    /** An unknown viewer. */
    public static function anyone(): self
    {
        return new self(null);
    }

    public static function signedOut(): self
    {
        return new self(false);
    }

    /**
     * @param  string|null  $person  e-mail; null: any member
     * @param  list<string>  $groups  keys
     */
    public static function member(?string $person = null, array $groups = [], bool $isManager = false): self
    {
        $groups = array_values(array_unique($groups));
        sort($groups);

        return new self(true, $person, $groups, $isManager);
    }

    /** @return non-empty-list<string> keys of the audiences that they belong to */
    public function belongsTo(): array
    {
        return [
            Audience::EVERYONE,
            ...$this->isSignedIn === false ? [Audience::SIGNED_OUT] : [],
            ...$this->isSignedIn === true ? [Audience::MEMBERS] : [],
            ...array_map(fn (string $group): string => Audience::GROUP.$group, $this->groups),
        ];
    }
}
