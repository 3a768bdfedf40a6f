<?php

declare(strict_types=1);

namespace App\Pages;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageReader;

/** A page's definition with its place in the database. */
final readonly class StoredPage
{
    /** @param  int|null  $id  null if it is not stored: a preview, or the plain page of an item */
    public function __construct(public ?int $id, public PageDefinition $definition)
    {
    }

    /**
     * A page with one block that is not stored: a preview of something that is on no page.
     *
     * @param  array<string, string>  $block  in the form of a page's file
     */
    public static function plain(string $title, string $description, array $block): self
    {
        return new self(null, (new PageReader(new Catalogue([])))->read([
            'format' => PageReader::FORMAT, 'key' => 'plain', 'address' => '/', 'title' => $title,
            ...trim($description) === '' ? [] : ['description' => $description],
            'bands' => [['key' => 'body', 'slots' => [['share' => PageReader::SHARES, 'blocks' => [$block]]]]],
        ]));
    }
}
