<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Listing\Cache\CacheExpiry;
use App\Site\Address\RecordAddresses;
use App\Site\Output\CardAssets;
use App\Site\Output\CardView;
use App\Site\Output\PartsView;
use App\Site\Output\VideoPlayers;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Parts;
use Wellspring\Core\Wording\Format;

/** @implements BlockData<Parts> */
final readonly class PartsData implements BlockData
{
    public function __construct(
        private Format $format,
        private RecordAddresses $addresses,
        private CacheExpiry $expiry,
        private VideoPlayers $players,
    ) {
    }

    public static function block(): string
    {
        return Parts::class;
    }

    public function data(Block $block, PageScene $scene): array|Level|null
    {
        $record = $scene->subject?->record;
        if ($record === null || $block->card === null) {
            return null;
        }
        foreach ($this->expiry->ofCard($block->card, [$record->type], $scene->context) as $moment) {
            $scene->dependencies->changesAt($moment);
        }
        $node = $block->card->node($record, new CardContext($scene->context, $this->format));
        $lines = $block->card::linesOf($node);
        $card = new CardView('', $lines);

        return $lines === [] ? $node->takes() : [
            'card' => $card,
            'shown' => new PartsView(CardAssets::of($card->parts(), $this->addresses, $this->players)),
        ];
    }
}
