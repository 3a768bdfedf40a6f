<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Card\Card;
use Wellspring\Core\Card\CardReader;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Lines of parts of the page's record, as on a card: `{"block": "parts", "card": {"lines": […]}}`. */
final readonly class Parts implements Block
{
    use Defaults;

    /** @param  Card|null  $card  null if the page is about nothing, and the definition is refused */
    public function __construct(public ?Card $card)
    {
    }

    public static function key(): string
    {
        return 'parts';
    }

    public static function label(): string
    {
        return 'Parts, in lines';
    }

    public static function begin(BlockSite $site): ?array
    {
        $lines = [['parts' => [['part' => 'title', 'level' => 2]]]];

        return $site->about === null ? null : ['block' => self::key(), 'card' => ['lines' => $lines]];
    }

    public static function whyNone(): string
    {
        return BlockSite::ONE_OF_MANY;
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        if ($type === null) {
            $problems->add(
                $shape->at('block'),
                ProblemCode::WrongValue,
                'expected parts only on a page that is about terms, items, months or people.',
            );
            $shape->raw('card');

            return new self(null);
        }
        if (! $shape->has('card')) {
            $shape->wrong('card', 'an object with lines', null);
        }

        return new self((new CardReader($type, $problems, EmptyAction::ofOneCard()))->read($shape));
    }

    public static function optionSchemas(): array
    {
        return ['card' => ['$ref' => '#/$defs/card']];
    }

    public function references(string $at, array $types): array
    {
        $all = [];
        foreach ($this->card?->parts() ?? [] as $place => $part) {
            array_push($all, ...$part->references("{$at}.{$place}", $types));
        }

        return $all;
    }

    public function words(): string
    {
        $parts = array_map(fn (Part $part): string => $part->words(), $this->card?->parts() ?? []);

        return $parts === [] ? 'parts' : 'the parts '.implode(', ', $parts);
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'card' => $this->card?->toArray()];
    }
}
