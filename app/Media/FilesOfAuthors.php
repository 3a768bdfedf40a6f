<?php

declare(strict_types=1);

namespace App\Media;

use App\Database\PostgresArray;
use App\Models\Item;
use App\Models\Media;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Audience;

/**
 * The files that an author may use in an item. All readers of an item can see its files, so an author may use their own
 * files, files that these readers can already see, and files that the item already shows to the same readers. A manager
 * may use all.
 */
final readonly class FilesOfAuthors
{
    /**
     * @param  Item|null  $item  the current item; null: a new one
     *
     * @throws Refused with each field that holds another file
     */
    public function check(User $who, ItemDraft $draft, ?Item $item): void
    {
        if (! $who->isManager()) {
            $this->checkValues($who, ['text' => $draft->text] + $draft->fields, $draft->audience, $item);
        }
    }

    /**
     * @param  array<string, mixed>  $values  by field
     *
     * @throws Refused
     */
    public function checkValues(User $who, array $values, Audience $audience, ?Item $item): void
    {
        if ($who->isManager()) {
            return;
        }
        // If the readers change, the item's files are checked again.
        $isForTheSame = $item !== null && Audience::of($item->audience)->keys === $audience->keys;
        $kept = $isForTheSame ? $item->media_names : [];
        $used = [];
        foreach (DB::select(
            'select key, unnest(media_names(null, jsonb_build_object(key, value))) as name from jsonb_each(?::jsonb)',
            [json_encode((object) $values, JSON_THROW_ON_ERROR)],
        ) as $row) {
            $media = StoredFile::at("/media/{$row->name}")?->media;
            if ($media !== null && array_intersect(StoredFile::variants($media), $kept) === []) {
                $used[$media] ??= (string) $row->key;
            }
        }
        $others = Media::query()
            ->whereIn('name', array_keys($used))
            ->whereRaw('user_id is distinct from ?', [$who->id])
            ->orderBy('name')
            ->pluck('name')
            ->all();
        $problems = new Problems;
        foreach ($others as $name) {
            if (is_string($name) && ! $this->isOpenTo($name, $audience)) {
                $problems->add(
                    $used[$name],
                    ProblemCode::ClosedFile,
                    "“{$name}” is someone else’s file, and visitors do not see it yet. Choose another file, or ask a "
                        .'manager to use this one.',
                );
            }
        }
        $problems->refuseIfAny();
    }

    private function isOpenTo(string $name, Audience $audience): bool
    {
        foreach ($audience->keys as $key) {
            $seenBy = [
                Audience::EVERYONE, $key, ...str_starts_with($key, Audience::GROUP) ? [Audience::MEMBERS] : [],
            ];
            $isOpen = DB::scalar('select media_is_open(?, ?, ?)', [
                $name, PostgresArray::literal(array_values(array_unique($seenBy))), now(),
            ]);
            if ($isOpen !== true) {
                return false;
            }
        }

        return true;
    }
}
