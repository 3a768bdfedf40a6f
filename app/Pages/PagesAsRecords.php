<?php

declare(strict_types=1);

namespace App\Pages;

use App\Listing\PageRecords;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Page\Block\RichText;
use Wellspring\Core\Page\PageDefinition;

/** Live pages as records of a listing: title, description, picture, text and position in the tree. */
final readonly class PagesAsRecords implements PageRecords
{
    public function __construct(private PageQuery $pages)
    {
    }

    public function rows(Context $context): array
    {
        $rows = [];
        foreach ($this->inTreeOrder() as $place => $stored) {
            $page = $stored->definition;
            $address = $page->address->pattern;
            $text = self::text($page, $context);
            $rows[] = [
                'id' => (int) $stored->id,
                'slug' => $page->key,
                'title' => $page->title,
                'text' => $text === '' ? null : $text,
                'active' => $page->schedule->admits($context),
                'fields' => array_filter([
                    'description' => $page->description === '' ? null : $page->description,
                    'picture' => $page->picture,
                    'address' => $address,
                    'depth' => $address === '/' ? 0 : substr_count($address, '/'),
                    'place' => $place + 1,
                ], fn (mixed $value): bool => $value !== null),
            ];
        }

        return $rows;
    }

    public function nextChange(Context $context): ?int
    {
        $moments = [];
        foreach ($this->pages->withoutPlaceholder() as $stored) {
            foreach ($stored->definition->schedules() as $schedule) {
                $moments[] = $schedule->nextChange($context);
            }
        }
        $moments = array_filter($moments);

        return $moments === [] ? null : (new \DateTimeImmutable(min($moments)))->getTimestamp();
    }

    /** @return list<StoredPage> each page before the pages below it, siblings in the manager's order */
    private function inTreeOrder(): array
    {
        $below = [];
        $all = $this->pages->withoutPlaceholder();
        $known = array_flip(array_map(
            fn (StoredPage $stored): string => $stored->definition->address->pattern,
            $all,
        ));
        foreach ($all as $stored) {
            $above = $stored->definition->address->pattern;
            do {
                $above = $above === '/' ? '' : (substr($above, 0, (int) strrpos($above, '/')) ?: '/');
            } while ($above !== '' && ! isset($known[$above]));
            $below[$above][] = $stored;
        }
        $ordered = [];
        $add = function (string $above) use (&$add, &$ordered, $below): void {
            foreach ($below[$above] ?? [] as $stored) {
                $ordered[] = $stored;
                $add($stored->definition->address->pattern);
            }
        };
        $add('');

        return $ordered;
    }

    /** The page's own texts that the viewer may see now, as safe HTML. */
    private static function text(PageDefinition $page, Context $context): string
    {
        $html = '';
        foreach ($page->bands as $band) {
            foreach ($band->schedule->admits($context) ? $band->slots : [] as $slot) {
                foreach ($slot->schedule->admits($context) ? $slot->blocks : [] as $placed) {
                    $html .= $placed->block instanceof RichText && $placed->schedule->admits($context)
                        ? $placed->block->html
                        : '';
                }
            }
        }

        return $html;
    }
}
