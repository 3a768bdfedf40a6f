<?php

declare(strict_types=1);

namespace App\Look;

use Sabberworm\CSS\CSSList\AtRuleBlockList;
use Sabberworm\CSS\CSSList\CSSList;
use Sabberworm\CSS\OutputFormat;
use Sabberworm\CSS\Parser;
use Sabberworm\CSS\Parsing\SourceException;
use Sabberworm\CSS\Property\Selector;
use Sabberworm\CSS\RuleSet\DeclarationBlock;

/**
 * A site's own style sheet, kept to its place: its rules hold within the content of the page alone, nothing in it is
 * fetched from elsewhere, and nothing leaves the flow of the page to lie over what is not its own.
 */
final class OwnStyles
{
    /** Where the rules hold. */
    private const PLACE = '#content ';

    /** What could lay something over the page, or be more than a style. */
    private const REFUSED = ['behavior', '-moz-binding', 'src', 'cursor'];

    /** Of `position`, those that leave the place. */
    private const OUTSIDE = ['fixed', 'sticky'];

    /** @return string empty where nothing is left */
    public function safe(string $css): string
    {
        if (trim($css) === '') {
            return '';
        }
        try {
            $sheet = (new Parser($css))->parse();
        } catch (SourceException) {
            return '';
        }
        $this->keepIn($sheet);

        return str_replace(['</', '<!--'], '', $sheet->render(OutputFormat::createCompact()));
    }

    /** @return string|null why it cannot be read; null where it can */
    public function fault(string $css): ?string
    {
        try {
            (new Parser($css, \Sabberworm\CSS\Settings::create()->beStrict()))->parse();
        } catch (SourceException $wrong) {
            return $wrong->getMessage();
        }

        return null;
    }

    private function keepIn(CSSList $list): void
    {
        foreach ($list->getContents() as $part) {
            if ($part instanceof DeclarationBlock) {
                $part->setSelectors(array_map(
                    fn (Selector $one): Selector => new Selector(self::PLACE.$one->getSelector()),
                    $part->getSelectors(),
                ));
                $this->keepDeclarations($part);
            } elseif ($part instanceof AtRuleBlockList && in_array($part->atRuleName(), ['media', 'supports'], true)) {
                $this->keepIn($part);
            } else {
                $list->remove($part);
            }
        }
    }

    private function keepDeclarations(DeclarationBlock $block): void
    {
        foreach ($block->getDeclarations() as $declaration) {
            $name = strtolower($declaration->getPropertyName());
            $value = $declaration->getValue();
            $text = strtolower(is_object($value) ? $value->render(OutputFormat::createCompact()) : (string) $value);
            $leaves = $name === 'position' && in_array(trim($text), self::OUTSIDE, true);
            $fetches = preg_match('/url\(|image-set|expression/', $text) === 1;
            if ($leaves || $fetches || in_array($name, self::REFUSED, true)) {
                $block->removeDeclaration($declaration);
            }
        }
    }
}
