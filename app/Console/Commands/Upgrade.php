<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Catalogue\ValueColumns;
use App\Content\Html\SafeHtml;
use App\Content\ItemTexts;
use App\Content\Taxonomies\TermWriter;
use App\Models\Item;
use App\Models\Term;
use App\Modules\LiveModulesChanged;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Text\Whitespace;

/**
 * Converts stored content of older versions, each step once, and clears the cache, whose entries may have an older
 * form. Call it after `migrate`.
 */
final class Upgrade extends Command
{
    protected $signature = 'wellspring:upgrade';

    protected $description = 'Bring stored content up to date after a new version was installed; what was done is not '
        .'done again';

    public function handle(
        CatalogueStore $catalogue,
        SafeHtml $html,
        TermWriter $terms,
        ValueColumns $columns,
    ): int {
        $this->callSilently('cache:clear');
        foreach ([
            'terms: text with markup made safe by an allow-list' => fn (): int => $this->safeTerms(
                $catalogue,
                $html,
                $terms,
            ),
            'items: text with markup made safe by an allow-list' => fn (): int => $this->safeItems($catalogue, $html),
            'items: white space at the ends of one-line text dropped' => fn (): int => $this->trimmedItems($catalogue),
            'types: columns for short values' => fn (): int => $this->columnsOfTypes($catalogue, $columns),
        ] as $name => $step) {
            if (! DB::table('upgrades')->where('name', $name)->exists()) {
                $changed = DB::transaction(function () use ($name, $step): int {
                    $changed = $step();
                    DB::table('upgrades')->insertOrIgnore(['name' => $name, 'done_at' => now()]);

                    return $changed;
                });
                $this->line("{$name}: {$changed} changed.");
            }
        }

        return self::SUCCESS;
    }

    private function safeTerms(CatalogueStore $catalogue, SafeHtml $html, TermWriter $terms): int
    {
        $changed = 0;
        foreach (Term::query()->orderBy('id')->lazyById(500) as $term) {
            $fields = $html->safeFields(
                $catalogue->catalogue()->taxonomies[$term->taxonomy_key]->fields ?? [],
                $term->fields,
            );
            $description = $term->description === '' ? '' : (string) $html->safe($term->description);
            if ($fields !== $term->fields || $description !== $term->description) {
                $terms->rewrite($term, $description, $fields);
                $changed++;
            }
        }

        return $changed;
    }

    private function safeItems(CatalogueStore $catalogue, SafeHtml $html): int
    {
        $changed = 0;
        foreach ($catalogue->catalogue()->types as $type) {
            foreach (Item::query()->where('type_key', $type->key)->with(Item::whole())->lazyById(500) as $item) {
                $text = $item->text === null ? null : $html->safe($item->text);
                $fields = $html->safeFields($type->fields, $item->fields);
                if ($text !== $item->text || $fields !== $item->fields) {
                    $item->fill(['text' => $text, 'fields' => $fields]);
                    $draft = (new ItemReader($type))->asItStands(Records::values($item, $type));
                    DB::table('items')->where('id', $item->id)->update([
                        'text' => $text,
                        'fields' => self::json($fields),
                        'folded' => self::json(ItemTexts::folded($type, $draft)),
                        'words' => self::json(ItemTexts::words($type, $draft)),
                    ]);
                    $changed++;
                }
            }
        }

        return $changed;
    }

    /** @param  array<string, mixed>  $values */
    private static function json(array $values): string
    {
        return json_encode((object) $values, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    private function columnsOfTypes(CatalogueStore $catalogue, ValueColumns $columns): int
    {
        $types = $catalogue->catalogue()->types;
        foreach ($types as $type) {
            $columns->assign($type);
        }
        // Their indexes contain the columns.
        event(new LiveModulesChanged);

        return count($types);
    }

    private function trimmedItems(CatalogueStore $catalogue): int
    {
        $changed = 0;
        foreach ($catalogue->catalogue()->types as $type) {
            foreach (Item::query()->where('type_key', $type->key)->with(Item::whole())->lazyById(500) as $item) {
                $trimmed = self::trimmed($type, $item);
                if ($trimmed !== []) {
                    $draft = (new ItemReader($type))->asItStands($trimmed + Records::values($item, $type));
                    DB::table('items')->where('id', $item->id)->update([
                        'title' => $draft->title,
                        'fields' => self::json(array_intersect_key($trimmed, $item->fields) + $item->fields),
                        'folded' => self::json(ItemTexts::folded($type, $draft)),
                    ]);
                    $changed++;
                }
            }
        }

        return $changed;
    }

    /** @return array<string, string> texts that had white space at their ends, without it, by field */
    private static function trimmed(Type $type, Item $item): array
    {
        $isText = fn (string $key): bool => ($type->fields[$key] ?? null)?->family() === Family::Text;
        $texts = ['title' => $item->title] + array_filter(
            array_filter($item->fields, is_string(...)),
            $isText,
            ARRAY_FILTER_USE_KEY,
        );

        return array_map(
            Whitespace::trim(...),
            array_filter($texts, fn (string $text): bool => Whitespace::isAtAnEnd($text) && ! Whitespace::isAll($text)),
        );
    }
}
