<?php

declare(strict_types=1);

namespace App\Content;

use App\Catalogue\CatalogueStore;
use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Time\Iso8601;

/** The unsaved values of item forms. Each draft belongs to one person, and nobody else sees it. */
final readonly class ItemDrafts
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    /**
     * @param  Item|null  $item  null: a new item of the type
     * @return array{values: array<string, mixed>, revision: int|null, keptAt: string}|null
     */
    public function of(User $who, string $type, ?Item $item): ?array
    {
        $row = $this->row($who, $type, $item)->first();
        if ($row === null) {
            return null;
        }
        $values = json_decode(is_string($row->values) ? $row->values : '{}', true);
        $known = $this->catalogue->catalogue()->type($type)->reachable ?? [];

        return [
            // Values of removed fields are dropped.
            'values' => array_intersect_key(
                is_array($values) ? $values : [],
                $known + ['status' => 0, 'audience' => 0, 'author' => 0],
            ),
            'revision' => $row->revision === null ? null : (int) $row->revision,
            'keptAt' => Iso8601::format(new \DateTimeImmutable(is_string($row->kept_at) ? $row->kept_at : 'now')),
        ];
    }

    /**
     * @param  int|null  $revision  the revision that the draft started from
     * @param  array<string, mixed>  $values  as typed, valid or not
     * @return string when it was kept
     */
    public function keep(User $who, string $type, ?Item $item, ?int $revision, array $values): string
    {
        $now = Iso8601::format(now());
        $row = [
            'revision' => $revision,
            'values' => json_encode((object) $values, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'kept_at' => $now,
        ];
        DB::transaction(function () use ($who, $type, $item, $row): void {
            if ($this->row($who, $type, $item)->update($row) === 0) {
                DB::table('item_drafts')->insertOrIgnore(
                    $row + ['user_id' => $who->id, 'type_key' => $type, 'item_id' => $item?->id],
                );
            }
        });

        return $now;
    }

    public function drop(User $who, string $type, ?Item $item): void
    {
        $this->row($who, $type, $item)->delete();
    }

    private function row(User $who, string $type, ?Item $item): Builder
    {
        return DB::table('item_drafts')
            ->where('user_id', $who->id)
            ->where('type_key', $type)
            ->where('item_id', $item?->id);
    }
}
