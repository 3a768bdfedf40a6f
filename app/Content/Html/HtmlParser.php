<?php

declare(strict_types=1);

namespace App\Content\Html;

use Masterminds\HTML5\Parser\Scanner;
use Masterminds\HTML5\Parser\Tokenizer;
use Symfony\Component\HtmlSanitizer\Parser\ParserInterface;

/**
 * Parses a text with markup so that no element closes an element around the text. In HTML, an `li`, `dt` or `dd`
 * outside a list of its own would close the item of the surrounding list (HTML Living Standard, 13.2.6.4.7).
 */
final class HtmlParser implements ParserInterface
{
    private const LISTS = ['li' => ['ul', 'ol'], 'dt' => ['dl'], 'dd' => ['dl']];

    /** @throws TooComplexHtml */
    public function parse(string $html, string $context = 'body'): \DOMNode
    {
        $builder = new LimitedTreeBuilder(true);
        (new Tokenizer(new Scanner($html, 'UTF-8'), $builder, Tokenizer::CONFORMANT_HTML))->parse();
        $document = $builder->fragment();
        foreach (self::stray($document) as $element) {
            $parent = $element->parentNode;
            while ($parent !== null && $element->firstChild !== null) {
                $parent->insertBefore($element->firstChild, $element);
            }
            $parent?->removeChild($element);
        }

        return $document;
    }

    /**
     * @param  list<string>  $around  names of the ancestors
     * @return list<\DOMElement> items of lists that stand in no list of the text
     */
    private static function stray(\DOMNode $node, array $around = []): array
    {
        $found = [];
        foreach ($node->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                $name = strtolower($child->nodeName);
                $lists = self::LISTS[$name] ?? null;
                array_push($found, ...self::stray($child, [...$around, $name]));
                if ($lists !== null && array_intersect($lists, $around) === []) {
                    $found[] = $child;
                }
            }
        }

        return $found;
    }
}
