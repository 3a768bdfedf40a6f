<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Page\Offer\BlockSite;

/** Default answers of blocks. */
trait Defaults
{
    public static function options(): array
    {
        return [];
    }

    public static function optionSchemas(): array
    {
        return OptionValues::schemas(self::options());
    }

    public static function begin(BlockSite $site): ?array
    {
        return ['block' => self::key()];
    }

    public static function whyNone(): string
    {
        return '';
    }

    public function modules(): array
    {
        return [];
    }

    public function scripts(): array
    {
        return [];
    }

    public function offersChoicesOf(): array
    {
        return [];
    }

    public function references(string $at, array $types): array
    {
        return [];
    }

    public function whyEmpty(): string
    {
        return 'nothing to show';
    }

    public function whenEmpty(): EmptyRule
    {
        return new EmptyRule;
    }

    public function toArray(): array
    {
        return ['block' => self::key()];
    }
}
