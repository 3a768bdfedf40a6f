<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Arrangement\Arrangements;
use Wellspring\Core\Card\CardReader;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Choice\OfferReader;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\WhenNothing;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Look\Departure;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\Criterion\SharedTerms;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Sort\OrderReader;
use Wellspring\Core\Sort\SortKey;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Source\SourceReader;

/** Reads and validates a module's definition, format 1, against the site's types and taxonomies. */
final readonly class ModuleReader
{
    public const FORMAT = 1;

    private const KEYS = [
        'format', 'key', 'name', 'source', 'where', 'leaveOut', 'pin', 'order', 'skip', 'atMost', 'page', 'arrange',
        'card', 'whenNothing', 'headings', 'offer', 'look',
    ];

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param  mixed  $data  decoded JSON
     *
     * @throws Refused with every fault, each at its path
     */
    public function read(mixed $data): Module
    {
        $problems = new Problems;
        $module = $this->whole($data, $problems);
        $problems->refuseIfAny();

        return $module ?? throw new \LogicException('A definition without a source is refused.');
    }

    /**
     * The same without the rules that are invalid.
     *
     * @param  mixed  $data  decoded JSON
     *
     * @throws Refused when what is wrong is no single rule: its source, its key
     */
    public function salvage(mixed $data): SalvagedModule
    {
        $problems = new Problems;
        $module = $this->whole($data, $problems);
        $problems->refuseIfAnyOutside();

        return new SalvagedModule(
            $module ?? throw new \LogicException('A definition without a source is refused.'),
            $problems->all(),
            $problems->aside(),
        );
    }

    private function whole(mixed $data, Problems $problems): ?Module
    {
        $shape = new Shape($data, '', $problems, self::KEYS);
        if ($shape->raw('format') !== self::FORMAT) {
            $shape->wrong('format', 'the format number '.self::FORMAT, $shape->raw('format'));
        }
        $key = $shape->text('key');
        if ($key !== '' && preg_match(Module::KEY, $key) !== 1) {
            $shape->wrong('key', '1 to 64 small letters, digits and hyphens', $key);
        }
        $name = $shape->text('name');
        if (mb_strlen($name) > 200) {
            $shape->wrong('name', 'at most 200 characters', $name);
        }
        $source = (new SourceReader($this->catalogue, $problems))->read($shape);
        $where = $source === null ? null : $this->where($shape, $source->type(), $problems);
        $offers = $source === null ? null : new OfferReader(
            $source,
            $this->filterable($source->type()),
            ConditionReader::for($source->type(), $this->catalogue, $problems),
            $problems,
        );
        $arrange = Arrangements::read($shape);
        $module = $source === null ? null : new Module(
            key: $key,
            name: $name,
            source: $source,
            where: $where,
            leaveOut: $shape->slugs('leaveOut'),
            pin: $shape->slugs('pin'),
            order: $this->order($shape, $source, $where, $problems),
            skip: max(0, $shape->whole('skip', 0, 0, 1_000_000)),
            atMost: $this->atMost($shape),
            page: PagingRule::read($shape, $problems),
            arrange: $arrange,
            card: (new CardReader(
                $source->type(),
                $problems,
                $arrange->suitedNumber() === 1 ? EmptyAction::ofOneCard() : EmptyAction::ofCards(),
                $this->catalogue->askable($source->type()),
            ))->read($shape),
            whenNothing: WhenNothing::read($shape, $problems, $key),
            look: Departure::read($shape),
            headings: $problems->part(
                'headings',
                fn (): ?Headings => (new OrderReader($source, $problems))->headings($shape),
                null,
            ),
            offer: $problems->part('offer', fn (): ?Offer => $offers?->read($shape, $key), null),
            follows: $problems->part('offer', fn (): ?string => $offers?->follows($shape), null),
        );
        if ($module !== null) {
            $shape->noOthers();
        }

        return $module;
    }

    /** @return array<array-key, Field> its own fields, by key; a parameter of an address names no other item's */
    private function filterable(Type $type): array
    {
        return array_filter($this->catalogue->askable($type), fn (Field $field): bool => $field->through === null);
    }

    private function where(Shape $shape, Type $type, Problems $problems): ?Group
    {
        if (! $shape->has('where')) {
            return null;
        }
        $read = ConditionReader::for($type, $this->catalogue, $problems)->group($shape->raw('where'), 'where', 1);
        if ($read?->off === true) {
            $problems->add(
                'where.off',
                ProblemCode::WrongValue,
                'the outermost group cannot be switched off; switch off its conditions.',
            );
        }

        return $read;
    }

    /**
     * @return non-empty-list<SortKey> the defined order; otherwise most shared terms first if the module asks for
     *   related records, or the source's default order
     */
    private function order(Shape $shape, Source $source, ?Group $where, Problems $problems): array
    {
        $keys = (new OrderReader($source, $problems))->keys($shape);
        if ($keys !== []) {
            return $keys;
        }
        foreach ($where?->conditions() ?? [] as $condition) {
            $taxonomies = $condition->test->relatedBy($condition);
            if ($taxonomies !== []) {
                $keys[] = new SortKey(new SharedTerms($taxonomies), Direction::Down);
            }
        }

        return [...$keys, SortKey::default($source->defaultOrder())];
    }

    /** @return positive-int|null */
    private function atMost(Shape $shape): ?int
    {
        $atMost = $shape->wholeOrNull('atMost', 1, 1_000_000);

        return $atMost === null ? null : max(1, $atMost);
    }
}
