<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Models\Media;
use App\Site\Output\CardView;
use App\Site\Output\PartsView;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Parts;
use Wellspring\Core\Wording\Format;

/** @implements BlockData<Parts> */
final readonly class PartsData implements BlockData
{
    public function __construct(private Format $format)
    {
    }

    public static function block(): string
    {
        return Parts::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $record = $scene->subject?->record;
        $lines = $record === null || $block->card === null ? [] : $block->card->lines($record, $this->format);
        $names = [];
        foreach (array_merge(...$lines) as $part) {
            if ($part->part->kind->showsPicture() && ! $part->said) {
                $names[] = $part->text;
            }
        }

        return $lines === [] ? null : [
            'card' => new CardView('', $lines),
            'shown' => new PartsView(
                $names === [] ? [] : Media::query()->whereIn('name', $names)->get()->keyBy('name')->all(),
            ),
        ];
    }
}
