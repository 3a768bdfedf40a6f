<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Freshness\Dependencies;
use App\Site\DrawnBlock;
use App\Site\PageResult;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Page\ShownBand;
use Wellspring\Core\Page\ShownSlot;
use Wellspring\Core\Run\Result;

/** What an address answers to one viewer at one instant. */
final readonly class AddressAnswer
{
    /**
     * @param  int  $status  of HTTP: 200, 301, 401 or 404
     * @param  string|null  $location  the new address, with 301
     * @param  PageResult|null  $page  with 200; with 401 and 404 the stand-in page from the site's settings
     * @param  Dependencies|null  $dependencies  what the answer was made of; null if it may not be cached
     */
    public function __construct(
        public int $status,
        public ?string $location = null,
        public ?PageResult $page = null,
        public ?Dependencies $dependencies = null,
    ) {
    }

    /** @return array<string, mixed> as the command `wellspring:page` prints it */
    public function toArray(): array
    {
        $until = $this->dependencies?->until();
        $frame = array_map(
            fn (array $blocks): array => array_map(self::block(...), $blocks),
            $this->page->frame ?? [],
        );

        return [
            'status' => $this->status,
            'page' => $this->page?->page->key,
            'subject' => $this->page === null ? null : self::subject($this->page->subject->page),
            'location' => $this->location,
            'frame' => (object) $frame,
            'bands' => array_map(fn (ShownBand $band): array => [
                'key' => $band->band->key,
                'slots' => array_map(fn (ShownSlot $slot): array => [
                    'share' => $slot->share(),
                    'blocks' => array_map(self::block(...), $slot->blocks),
                ], $band->slots),
            ], $this->page->bands ?? []),
            'depends' => $this->dependencies?->keys() ?? [],
            'until' => $until === null ? null : gmdate('Y-m-d\TH:i:s\Z', $until),
        ];
    }

    /** @return array<string, mixed> */
    private static function block(DrawnBlock $block): array
    {
        return $block->result instanceof Result
            ? [
                'module' => $block->block->modules()[0] ?? '',
                'total' => $block->result->total,
                'keys' => array_map(strval(...), $block->result->keys),
            ]
            : ['block' => $block->block::key()];
    }

    /** @return array<string, string>|null */
    private static function subject(PageSubject $subject): ?array
    {
        return match (true) {
            $subject->item !== null => ['item' => "{$subject->item->type}/{$subject->item->slug}"],
            $subject->term !== null => ['term' => "{$subject->term['taxonomy']}/{$subject->term['slug']}"],
            $subject->month !== null => [strlen($subject->month) === 4 ? 'year' : 'month' => $subject->month],
            $subject->person !== null => ['person' => $subject->person],
            default => null,
        };
    }
}
