<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Change;
use App\Models\Item;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Differences;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Refused;

/** Does one thing to many items, as one change that can be undone. */
final readonly class ManyItems
{
    /** Items that one edit may touch. */
    public const MOST = 5000;

    public function __construct(private CatalogueStore $catalogue, private ItemWriter $writer, private Ledger $ledger)
    {
    }

    /**
     * @param  list<int>  $ids
     * @param  'publish'|'unpublish'|'addTerms'|'removeTerms'|'set'|'delete'  $do
     * @param  array<string, mixed>  $with  taxonomy and terms (slugs), or values by column
     * @return array{change: int, done: int, left: list<string>} how many were changed; which were not, with the reason
     */
    public function do(Type $type, array $ids, string $do, array $with): array
    {
        if (count($ids) > self::MOST) {
            throw Refused::because('ids', 'tooMany', 'expected at most '.number_format(self::MOST).' items at a time, found '.number_format(count($ids)).'. Narrow the table with a filter first.');
        }
        $left = [];
        $done = 0;
        $taxonomy = is_string($with['taxonomy'] ?? null) ? $with['taxonomy'] : '';
        $slugs = array_values(array_filter((array) ($with['terms'] ?? []), is_string(...)));
        if (str_ends_with($do, 'Terms') && (! isset($type->taxonomies[$taxonomy]) || $slugs === [] || count($this->catalogue->termIds($taxonomy, $slugs)) !== count($slugs))) {
            throw Refused::because('terms', 'wrongValue', "expected terms of a taxonomy of {$type->plural}.");
        }
        $change = $this->ledger->change('items', 'Edited many', self::how($do), function (Change $change) use ($type, $ids, $do, $with, $taxonomy, $slugs, &$left, &$done): void {
            foreach (array_chunk($ids, 500) as $some) {
                foreach (Item::query()->with(Item::whole())->where('type_key', $type->key)->whereIn('id', $some)->orderBy('id')->get() as $item) {
                    try {
                        $done += $this->one($type, $item, $do, $with, $taxonomy, $slugs) ? 1 : 0;
                    } catch (Refused $refused) {
                        $left[] = "“{$item->title}”: {$refused->problems[0]}";
                    }
                }
            }
            $change->update(['title' => self::title($do, $done, $done === 1 ? $type->label : $type->plural)]);
        });

        return ['change' => $change->id, 'done' => $done, 'left' => $left];
    }

    /**
     * @param  array<string, mixed>  $with
     * @param  list<string>  $slugs
     */
    private function one(Type $type, Item $item, string $do, array $with, string $taxonomy, array $slugs): bool
    {
        if ($do === 'delete') {
            $this->writer->remove($item);

            return true;
        }
        $reader = new ItemReader($type);
        $standing = Records::values($item, $type);
        $terms = array_values(array_filter((array) ($standing[$taxonomy] ?? []), is_string(...)));
        $draft = match ($do) {
            'publish' => $reader->asItStands(['status' => 'published'] + $standing),
            'unpublish' => $reader->asItStands(['status' => 'draft'] + $standing),
            'addTerms' => $reader->asItStands([$taxonomy => array_values(array_unique([...$terms, ...$slugs]))] + $standing),
            'removeTerms' => $reader->asItStands([$taxonomy => array_values(array_diff($terms, $slugs))] + $standing),
            default => $reader->fromValues(array_filter((array) ($with['values'] ?? []), is_string(...), ARRAY_FILTER_USE_KEY), $standing),
        };
        if (Differences::same($draft->values(), $reader->asItStands($standing)->values())) {
            return false;
        }
        if ($do === 'set') {
            $this->writer->check($type, $draft, $item);
        }
        $this->writer->update($item, $type, $draft);

        return true;
    }

    private static function how(string $do): string
    {
        return match ($do) {
            'publish' => 'published with others',
            'unpublish' => 'made a draft with others',
            'addTerms', 'removeTerms' => 'terms changed with others',
            default => 'edited with others',
        };
    }

    private static function title(string $do, int $count, string $what): string
    {
        $what = mb_strtolower($what);

        return match ($do) {
            'publish' => "Published {$count} {$what}",
            'unpublish' => "Made {$count} {$what} a draft",
            'addTerms' => "Gave {$count} {$what} a term",
            'removeTerms' => "Took a term from {$count} {$what}",
            'delete' => "Removed {$count} {$what}",
            default => "Edited {$count} {$what}",
        };
    }
}
