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
 * Something that stands in a slot.
 *
 * To add one: a class here, a line in Blocks (or config/plugins.php), and its Blade view site/blocks/KEY.
 */
interface Block
{
    /** The `block` of a definition. */
    public static function key(): string;

    /** What it is called in the list of blocks that can be added. */
    public static function label(): string;

    /** @return list<Option> its keys that an editor offers with a plain control */
    public static function options(): array;

    /**
     * A new block, as a definition has it.
     *
     * @return array<string, mixed>|null null if none can stand there; whyNone() says why
     */
    public static function begin(BlockSite $site): ?array;

    /** Why none can stand there, in a sentence; '' if one always can. */
    public static function whyNone(): string;

    /**
     * What cannot be read is noted; the definition is refused then.
     *
     * @param  Type|null  $type  of what the page is about; null of a page about nothing but itself, and in the frame
     */
    public static function read(Shape $shape, Problems $problems, ?Type $type): self;

    /** @return array<string, array<string, mixed>> JSON Schema (2020-12) of each key that it has beside `block` */
    public static function optionSchemas(): array;

    /** How it reads in a list of what stands in a slot: “the page’s title”. */
    public function words(): string;

    /** What happens where it has nothing to show. */
    public function whenEmpty(): EmptyRule;

    /** Why the plan of a page shows nothing in its place. */
    public function whyEmpty(): string;

    /** @return list<string> keys of the modules that it shows */
    public function modules(): array;

    /** @return list<string> names of the scripts in resources/js/site that make it better */
    public function scripts(): array;

    /** @return list<string> keys of the modules whose choices it offers, wherever they stand */
    public function offersChoicesOf(): array;

    /**
     * @param  string  $at  where it stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the page is about
     * @return list<Reference>
     */
    public function references(string $at, array $types): array;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
