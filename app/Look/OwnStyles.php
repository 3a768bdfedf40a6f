<?php

declare(strict_types=1);

namespace App\Look;

use Sabberworm\CSS\CSSList\AtRuleBlockList;
use Sabberworm\CSS\CSSList\CSSList;
use Sabberworm\CSS\OutputFormat;
use Sabberworm\CSS\Parser;
use Sabberworm\CSS\Parsing\SourceException;
use Sabberworm\CSS\Property\Declaration;
use Sabberworm\CSS\Property\Selector;
use Sabberworm\CSS\RuleSet\DeclarationBlock;

/**
 * A site's own style sheet, limited in scope: its rules apply only inside the content of the page, it loads nothing,
 * and it paints nothing outside the content. Constructs that browsers may read differently than this parser (escapes,
 * open quotes, open brackets) are removed.
 */
final class OwnStyles
{
    /** The element that limits the rules. */
    private const PLACE = '#content';

    /**
     * Prevents painting outside the content, however an element is positioned, moved or enlarged (CSS Containment
     * Module Level 2, W3C); focus rings keep their space. On a phone without scripts, the filters open over the whole
     * window, so this is lifted while they are open.
     */
    private const CONTAINED = self::PLACE.'{contain:layout paint;overflow-clip-margin:8px}'
        .self::PLACE.':has(.choose:target){contain:none}';

    private const AT_RULES = ['media', 'supports'];

    /** Properties that load something, or are more than a style. */
    private const REFUSED = ['behavior', '-moz-binding', 'src', 'cursor'];

    private const POSITIONS = ['static', 'relative', 'absolute'];

    /** Functions that load something, and those of old browsers that execute their content. */
    private const FETCHES = '/(url|src|image|image-set|cross-fade|element|paint|expression|-webkit-[a-z-]+)\(/i';

    /** @return string empty if nothing is left */
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
        $own = str_replace(['</', '<!--'], '', $sheet->render(OutputFormat::createCompact()));

        return $own === '' ? '' : self::CONTAINED.$own;
    }

    /** @return string|null why it cannot be read; null if it can */
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
                $selectors = array_values(array_filter(
                    $part->getSelectors(),
                    fn (Selector $one): bool => self::staysInside($one->getSelector()),
                ));
                if ($selectors === []) {
                    $list->remove($part);
                } else {
                    $part->setSelectors(array_map(
                        fn (Selector $one): Selector => new Selector(self::PLACE.' '.$one->getSelector()),
                        $selectors,
                    ));
                    $this->keepDeclarations($part);
                }
            } elseif (
                $part instanceof AtRuleBlockList
                && in_array($part->atRuleName(), self::AT_RULES, true)
                && self::isClosed($part->atRuleArgs())
            ) {
                $this->keepIn($part);
            } else {
                $list->remove($part);
            }
        }
    }

    private function keepDeclarations(DeclarationBlock $block): void
    {
        foreach ($block->getDeclarations() as $declaration) {
            if (! self::isKept($declaration)) {
                $block->removeDeclaration($declaration);
            }
        }
    }

    private static function isKept(Declaration $declaration): bool
    {
        $name = strtolower($declaration->getPropertyName());
        $value = $declaration->getValue();
        $text = strtolower(is_object($value) ? $value->render(OutputFormat::createCompact()) : (string) $value);

        return preg_match('/^-{0,2}[a-z][a-z0-9-]*$/D', $name) === 1
            && ! in_array($name, self::REFUSED, true)
            && ($name !== 'position' || in_array(trim($text), self::POSITIONS, true))
            && self::isClosed($text)
            && preg_match(self::FETCHES, $text) !== 1;
    }

    /** True if a selector stays inside the content: `~` and `+` would select siblings. */
    private static function staysInside(string $selector): bool
    {
        return preg_match('/^\s*[~+|]/', $selector) !== 1 && self::isClosed($selector);
    }

    /** True if every quote and bracket is closed, and nothing is escaped. */
    private static function isClosed(string $text): bool
    {
        $bare = preg_replace('/"[^"\\\\\r\n\f]*"|\'[^\'\\\\\r\n\f]*\'/', '', $text);
        if ($bare === null || preg_match('~["\'\\\\{};@<]|/\*~', $bare) === 1) {
            return false;
        }
        // Removes matching brackets from the inside out.
        $brackets = (string) preg_replace('/[^()[\]]/', '', $bare);
        do {
            $brackets = str_replace(['()', '[]'], '', $brackets, $closed);
        } while ($closed > 0);

        return $brackets === '';
    }
}
