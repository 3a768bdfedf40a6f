<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Arrangement\ArrangementRule;
use Wellspring\Core\Arrangement\Columns;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Card\Card;
use Wellspring\Core\Card\Line;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartKinds;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Empty\WhenNothing;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Paging\PagingRule;
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

/** Reads a module's definition, format 1, against what the site has. */
final readonly class ModuleReader
{
    public const FORMAT = 1;

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
     * The same without the rules that cannot be read.
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
        $shape = new Shape($data, '', $problems);
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
        foreach (['where', 'headings', 'order', 'card'] as $needsSource) {
            $shape->has($needsSource);
        }
        $where = $source === null ? null : $this->where($shape, $source->type(), $problems);
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
            page: $this->page($shape, $problems),
            arrange: $this->arrange($shape, $problems),
            card: $this->card($shape, $source->type(), $problems),
            whenNothing: $this->whenNothing($shape, $problems),
            headings: $problems->part(
                'headings',
                fn (): ?Headings => (new OrderReader($source, $problems))->headings($shape),
                null,
            ),
        );
        if ($module !== null) {
            $shape->noOthers();
        }

        return $module;
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
                'wrongValue',
                'the outermost group cannot be switched off; switch off its conditions.',
            );
        }

        return $read;
    }

    /**
     * @return non-empty-list<SortKey> what is said, else the nearest first where the module asks for what is related,
     *   else the source's own order
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

    private function page(Shape $shape, Problems $problems): PagingRule
    {
        if (! $shape->has('page')) {
            return new PagingRule;
        }
        $page = new Shape($shape->raw('page'), 'page', $problems);
        $mode = PagingMode::from($page->oneOf('mode', array_column(PagingMode::cases(), 'value'), 'numbered'));
        $size = $page->whole('size', 10, 1, PagingRule::MAX_SIZE);
        $loads = $mode === PagingMode::Continuous ? $page->whole('loads', PagingRule::LOADS, 0, 100) : PagingRule::LOADS;
        $page->noOthers();

        return new PagingRule(max(1, $size), $mode, $loads);
    }

    private function arrange(Shape $shape, Problems $problems): ArrangementRule
    {
        if (! $shape->has('arrange')) {
            return new ArrangementRule;
        }
        $arrange = new Shape($shape->raw('arrange'), 'arrange', $problems);
        $as = Arrangement::from($arrange->oneOf('as', ['grid', 'list']));
        $columns = new Columns;
        if ($as === Arrangement::Grid && $arrange->has('columns')) {
            $given = new Shape($arrange->raw('columns'), 'arrange.columns', $problems);
            $at = fn (Width $width): int => $given->whole($width->value, $columns->at($width), 1, Columns::MAX);
            $columns = new Columns($at(Width::Phone), $at(Width::Tablet), $at(Width::Laptop), $at(Width::Desktop));
            $given->noOthers();
        }
        $arrange->noOthers();

        return new ArrangementRule($as, $columns);
    }

    private function card(Shape $shape, Type $type, Problems $problems): Card
    {
        $data = $shape->has('card') ? $shape->raw('card') : $this->plainCard($type);
        $card = new Shape($data, 'card', $problems);
        $title = new Part(PartKinds::all()['title'], $type->reachable['title']);
        $lines = [];
        $given = $card->items('lines');
        foreach ($given as $l => $lineData) {
            $line = new Shape($lineData, "card.lines[{$l}]", $problems);
            $parts = [];
            foreach ($line->items('parts') as $p => $partData) {
                $at = "card.lines[{$l}].parts[{$p}]";
                $parts[] = $problems->part(
                    $at,
                    fn (): ?Part => $this->part(new Shape($partData, $at, $problems), $type, $problems),
                    $title,
                );
            }
            if ($parts === []) {
                $line->wrong('parts', 'a list of parts, at least one', $line->raw('parts'));
            }
            $line->noOthers();
            if ($parts !== []) {
                $lines[] = new Line($parts);
            }
        }
        if ($given === [] && is_array($data)) {
            $card->wrong('lines', 'a list of lines, at least one', $card->raw('lines'));
        }
        $card->noOthers();

        return new Card($lines === [] ? [new Line([$title])] : $lines);
    }

    private function part(Shape $shape, Type $type, Problems $problems): ?Part
    {
        $kinds = PartKinds::all();
        $key = $shape->oneOf('part', array_keys($kinds));
        if ($shape->raw('part') !== $key) {
            return null;
        }
        $kind = $kinds[$key];
        $field = $kind->field($shape, $type);
        $options = $kind->options($shape);
        $label = $shape->has('label') ? $shape->text('label') : '';
        $empty = $this->emptyRule($shape, $problems);
        if ($field !== null || $shape->has('field')) {
            $shape->noOthers();
        }

        return $field === null
            ? null
            : new Part($kind, $field, $empty, $options['level'] ?? null, $options['words'] ?? null, $label);
    }

    private function emptyRule(Shape $part, Problems $problems): EmptyRule
    {
        if (! $part->has('empty')) {
            return new EmptyRule;
        }
        $rule = new Shape($part->raw('empty'), $part->at('empty'), $problems);
        $do = EmptyAction::from(
            $rule->oneOf('do', array_map(fn (EmptyAction $action): string => $action->value, EmptyAction::cases())),
        );
        $text = $do === EmptyAction::Say ? $rule->text('text') : '';
        $rule->noOthers();

        return new EmptyRule($do, $text);
    }

    private function whenNothing(Shape $shape, Problems $problems): WhenNothing
    {
        if (! $shape->has('whenNothing')) {
            return new WhenNothing;
        }
        $rule = new Shape($shape->raw('whenNothing'), 'whenNothing', $problems);
        $rule->oneOf('do', ['say']);
        $text = $rule->text('text');
        $rule->noOthers();

        return new WhenNothing($text);
    }

    /** @return array<string, mixed> the card of a module that says none: picture, where the type has one, and title */
    private function plainCard(Type $type): array
    {
        $hasPicture = array_filter(
            $type->fields,
            fn (Field $field): bool => $field->family() === Family::Picture,
        ) !== [];

        return ['lines' => [
            ...($hasPicture ? [['parts' => [['part' => 'picture']]]] : []),
            ['parts' => [['part' => 'title']]],
        ]];
    }
}
