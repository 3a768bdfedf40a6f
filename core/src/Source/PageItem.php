<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\SubjectPart;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** The item that the page is about; no record on other pages. */
final readonly class PageItem implements Source
{
    use ItemsOfTypes;

    /**
     * @param  non-empty-list<Type>  $types  all types of the site, or the given one
     * @param  bool  $named  true if the definition gives the type
     */
    public function __construct(public array $types, private bool $named)
    {
        $this->shared = Type::shared($types);
    }

    public static function keys(): array
    {
        return ['page'];
    }

    public static function isSaidBy(Shape $shape): bool
    {
        return $shape->has('page') && $shape->raw('page') !== 'term';
    }

    public static function starts(): array
    {
        return [new SourceStart('pageItem', 'The page’s item', fn (): array => ['page' => 'item'])];
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $shape->oneOf('page', ['item', 'term']);
        $types = array_values($site->catalogue->types);
        if (! $shape->has('type')) {
            if ($types === []) {
                $site->problems->add(
                    'source.page',
                    ProblemCode::WrongValue,
                    'expected a site with at least one content type; this one has none.',
                );
            }

            return $types === [] ? null : new self($types, named: false);
        }
        $type = $site->type($shape);

        return $type === null ? null : new self([$type], named: true);
    }

    public static function schemas(): array
    {
        return [[
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['page'],
            'properties' => ['page' => ['const' => 'item'], 'type' => ['type' => 'string']],
        ]];
    }

    public function whyNot(Record $record, Context $context): string
    {
        return match ($context->page->item?->id) {
            $record->id => '',
            null => 'The module takes the item that the page is about, and this page is about none.',
            default => "The page is about “{$context->page->item->title}”.",
        };
    }

    public function takesFromPage(): array
    {
        return ['part' => SubjectPart::Item, 'of' => $this->named ? $this->shared->key : ''];
    }

    public function pieces(Format $format): array
    {
        return [new Piece(
            'the item that the page is about'.($this->named ? ', of '.$this->shared->plural : ''),
            'source',
        )];
    }

    public function toArray(): array
    {
        return ['page' => 'item'] + ($this->named ? ['type' => $this->shared->key] : []);
    }
}
