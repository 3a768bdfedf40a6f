<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Content\ItemTexts;
use App\Models\Item;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\ItemReader;

final class FindWords extends Command
{
    protected $signature = 'wellspring:words';

    protected $description = 'Find the words that search looks in anew, for items that were stored before there was '
        .'search or by another way than Wellspring’s';

    public function handle(CatalogueStore $catalogue): int
    {
        $found = 0;
        foreach ($catalogue->catalogue()->types as $type) {
            $reader = new ItemReader($type);
            foreach (Item::query()->with(Item::whole())->where('type_key', $type->key)->lazyById(500) as $item) {
                $words = ItemTexts::words($type, $reader->asItStands(Records::values($item, $type)));
                if ($words != $item->words) {
                    DB::table('items')
                        ->where('id', $item->id)
                        ->update([
                            'words' => json_encode((object) $words, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                        ]);
                    $found++;
                }
            }
        }
        $this->line("Found the words of {$found} items anew.");

        return self::SUCCESS;
    }
}
