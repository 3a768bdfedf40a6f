<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Item;
use App\Models\Media;
use App\Models\User;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;

/** The references of drafts: files, people and other items. */
final class ItemReferences
{
    /** @var array<string, string> kinds of files by name; empty: there is none */
    private array $files = [];

    /** @var array<string, int|null> ids by e-mail */
    private array $people = [];

    /** @var array<string, true> `type/slug` of items that are on their way */
    private array $expected = [];

    /** @var array<string, int> ids by `type/slug` */
    private array $targets = [];

    /**
     * From now on items with these names count as existing, because the import creates them.
     *
     * @param  array<string, true>  $names  `type/slug`
     */
    public function expectItems(array $names): void
    {
        $this->expected = $names;
    }

    /** From now on a file with this name counts as existing, because the import adds it. */
    public function expectPicture(string $name): void
    {
        $this->files[$name] = 'picture';
    }

    /**
     * Looks up all references, with one query for each kind.
     *
     * @param  list<ItemDraft>  $drafts
     */
    public function load(Type $type, array $drafts): void
    {
        $files = $people = $targets = [];
        foreach ($drafts as $draft) {
            if ($draft->author !== null) {
                $people[] = $draft->author;
            }
            foreach ($type->fields as $key => $field) {
                $names = self::names($draft->fields[$key] ?? null);
                match ($field->family()) {
                    Family::Picture, Family::Pictures, Family::File, Family::Video => array_push($files, ...$names),
                    Family::Person => array_push($people, ...$names),
                    Family::Items => array_push($targets, ...$names),
                    default => null,
                };
            }
        }
        $this->loadFiles(array_diff(array_unique($files), array_keys($this->files)));
        $this->loadPeople(array_diff(array_unique($people), array_keys($this->people)));
        $this->loadTargets(array_diff(array_unique($targets), array_keys($this->targets)));
    }

    /** @return list<string> what the value names and the site does not have */
    public function missing(Field $field, mixed $value): array
    {
        $has = match ($field->family()) {
            Family::Picture, Family::Pictures => fn (string $name): bool => $this->kindOfFile($name) === 'picture',
            Family::File => fn (string $name): bool => $this->kindOfFile($name) !== '',
            Family::Video => fn (string $name): bool => str_contains($name, '://')
                || $this->kindOfFile($name) === 'video',
            Family::Person => fn (string $email): bool => $this->personId($email) !== null,
            Family::Items => fn (string $name): bool => isset($this->expected[$name])
                || $this->targetId($name) !== null,
            default => null,
        };

        return $has === null
            ? []
            : array_values(array_filter(self::names($value), fn (string $name): bool => ! $has($name)));
    }

    /** @return array{ProblemCode, string} the code and what was expected, where a name is missing */
    public static function expected(Field $field): array
    {
        return match ($field->family()) {
            Family::Items => [
                ProblemCode::UnknownItem,
                'an item on this site as '.(count($field->types) === 1 ? 'its slug' : 'type/slug'),
            ],
            Family::Person => [ProblemCode::UnknownPerson, 'the e-mail address of one of the site’s people'],
            Family::File => [ProblemCode::UnknownFile, 'the name of a file on this site'],
            Family::Video => [ProblemCode::UnknownFile, 'the name of a video on this site'],
            default => [ProblemCode::UnknownPicture, 'the name of a picture on this site'],
        };
    }

    public function personId(string $email): ?int
    {
        if (! array_key_exists($email, $this->people)) {
            $this->loadPeople([$email]);
        }

        return $this->people[$email];
    }

    /** A reference to a new item has no id yet, and is looked up again each time. */
    public function targetId(string $name): ?int
    {
        if (! isset($this->targets[$name])) {
            $this->loadTargets([$name]);
        }

        return $this->targets[$name] ?? null;
    }

    private function kindOfFile(string $name): string
    {
        if (! isset($this->files[$name])) {
            $this->loadFiles([$name]);
        }

        return $this->files[$name];
    }

    /** @return list<string> */
    private static function names(mixed $value): array
    {
        return array_values(array_filter((array) $value, is_string(...)));
    }

    /** @param  array<int, string>  $names */
    private function loadFiles(array $names): void
    {
        $this->files += ($names === [] ? [] : Media::query()->whereIn('name', $names)->pluck('kind', 'name')->all())
            + array_fill_keys($names, '');
    }

    /** @param  array<int, string>  $emails */
    private function loadPeople(array $emails): void
    {
        $this->people += ($emails === [] ? [] : User::query()->whereIn('email', $emails)->pluck('id', 'email')->all())
            + array_fill_keys($emails, null);
    }

    /** @param  array<int, string>  $names */
    private function loadTargets(array $names): void
    {
        $slugs = [];
        foreach ($names as $name) {
            [$type, $slug] = explode('/', $name, 2) + ['', ''];
            $slugs[$type][] = $slug;
        }
        foreach ($slugs as $type => $ofType) {
            $found = Item::query()->where('type_key', $type)->whereIn('slug', $ofType)->pluck('id', 'slug');
            foreach ($found as $slug => $id) {
                $this->targets["{$type}/{$slug}"] = $id;
            }
        }
    }
}
