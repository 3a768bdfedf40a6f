<?php

declare(strict_types=1);

namespace App\Content\Html;

use Masterminds\HTML5\Parser\DOMTreeBuilder;

/**
 * Builds the document of a text, within limits: the parser's time grows with the square of the number of attributes of
 * a tag, and of the depth of elements.
 */
final class LimitedTreeBuilder extends DOMTreeBuilder
{
    private const ATTRIBUTES = 50;

    private const DEPTH = 100;

    private const ELEMENTS = 20_000;

    private int $elements = 0;

    /**
     * @param  string  $name
     * @param  array<string, string|null>  $attributes
     * @param  bool  $selfClosing
     * @return int
     *
     * @throws TooComplexHtml
     */
    public function startTag($name, $attributes = [], $selfClosing = false)
    {
        if (count($attributes) > self::ATTRIBUTES) {
            throw new TooComplexHtml('expected at most '.self::ATTRIBUTES.' attributes in each tag of the text.');
        }
        if (++$this->elements > self::ELEMENTS) {
            throw new TooComplexHtml('expected at most '.number_format(self::ELEMENTS).' elements in the text.');
        }
        $result = parent::startTag($name, $attributes, $selfClosing);
        $depth = 0;
        for ($node = $this->current; $node instanceof \DOMElement; $node = $node->parentNode) {
            if (++$depth > self::DEPTH) {
                throw new TooComplexHtml('expected at most '.self::DEPTH.' elements inside each other in the text.');
            }
        }

        return $result;
    }

    /**
     * The parser collects messages that nobody reads, so they are dropped.
     *
     * @param  string  $msg
     * @param  int  $line
     * @param  int  $col
     */
    public function parseError($msg, $line = 0, $col = 0): void
    {
    }
}
