<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/**
 * A block, which stands in a slot.
 *
 * To add one: a class here, a line in Blocks (or config/plugins.php), and its Blade view site/blocks/KEY.
 */
interface Block
{
    /** The value of `block` in a definition. */
    public static function key(): string;

    /** Its label in the list of blocks to add. */
    public static function label(): string;

    /** @return list<Option> its keys that an editor offers with a plain control */
    public static function options(): array;

    /**
     * A new block, in the form of a definition.
     *
     * @return array<string, mixed>|null null if none can stand there; whyNone() says why
     */
    public static function begin(BlockSite $site): ?array;

    /** Why the block cannot be added there, in a sentence; '' if it can. */
    public static function whyNone(): string;

    /**
     * Reads a block. It adds problems if the definition is invalid, which is then refused.
     *
     * @param  Type|null  $type  of the page's record; null for a page about nothing, and in the frame
     */
    public static function read(Shape $shape, Problems $problems, ?Type $type): self;

    /** @return array<string, array<string, mixed>> JSON Schema (2020-12) of each key that it has beside `block` */
    public static function optionSchemas(): array;

    /** The block in words, for the plan: “the page’s title”. */
    public function words(): string;

    /** What to remove if the block has nothing to show. */
    public function whenEmpty(): EmptyRule;

    /** Why nothing shows in its place, for the plan. */
    public function whyEmpty(): string;

    /** @return list<string> keys of the modules that it shows */
    public function modules(): array;

    /** @return list<string> names of the scripts in resources/js/site that make it better */
    public function scripts(): array;

    /** @return list<string> keys of the modules whose choices it offers, wherever they stand */
    public function offersChoicesOf(): array;

    /**
     * @param  string  $at  its place in the definition
     * @param  list<string>  $types  keys of the content types whose items the page is about
     * @return list<Reference>
     */
    public function references(string $at, array $types): array;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
