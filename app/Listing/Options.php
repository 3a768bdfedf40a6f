<?php

declare(strict_types=1);

namespace App\Listing;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\Steps;
use Wellspring\Core\Who\Audience;

/** What a field holds among the records that reach one condition of a module: the counts beside its choices. */
final readonly class Options
{
    public function __construct(private Compiler $compiler)
    {
    }

    /**
     * @param  string  $before  the name of the condition's step (`where.all[1]`); only earlier conditions narrow the counts
     * @return array{filled: int, empty: int, choices: array<string, int>, from: float|null, to: float|null} `from` and `to` are the smallest and largest number
     */
    public function of(Module $module, Field $field, string $before, \DateTimeImmutable $now, Audience $viewer): array
    {
        $query = $this->compiler->candidates($module, $now, $viewer);
        foreach (Steps::ofWhere($module->where) as $name => $rule) {
            if ($name === $before) {
                break;
            }
            $fragment = $this->compiler->rule($rule);
            $query->whereRaw($fragment->sql, $fragment->bindings);
        }
        $all = (clone $query)->count();
        $filled = FieldSql::filled($field);
        $filledCount = (clone $query)->whereRaw($filled->sql, $filled->bindings)->count();
        $range = $field->family() === Family::Number
            ? (clone $query)->toBase()->selectRaw('min('.FieldSql::number($field).') as low, max('.FieldSql::number($field).') as high')->first()
            : null;

        return [
            'filled' => $filledCount,
            'empty' => $all - $filledCount,
            'choices' => match ($field->family()) {
                Family::Choice => $this->choices($query->toBase(), FieldSql::raw($field)),
                Family::Choices => $this->choices($query->toBase()->crossJoin(DB::raw('lateral jsonb_array_elements_text('.FieldSql::raw($field).'::jsonb) as one(choice)')), 'one.choice'),
                Family::Terms => $this->terms($query, $field),
                default => [],
            },
            'from' => isset($range->low) ? (float) $range->low : null,
            'to' => isset($range->high) ? (float) $range->high : null,
        ];
    }

    /** @return array<string, int> */
    private function choices(Query $query, string $choice): array
    {
        $counts = [];
        foreach ($query->selectRaw("{$choice} as choice, count(*) as records")->whereRaw("{$choice} is not null")->groupByRaw('1')->get() as $row) {
            $counts[(string) $row->choice] = (int) $row->records;
        }

        return $counts;
    }

    /**
     * How many of the records stand in each term or below it.
     *
     * @param  Builder<\App\Models\Item>  $query
     * @return array<string, int>
     */
    private function terms(Builder $query, Field $field): array
    {
        $terms = $field->taxonomy->terms ?? throw new \LogicException('A field of terms has a taxonomy.');
        $above = $slugs = [];
        foreach ($terms->all() as $term) {
            foreach ($terms->withBelow($term->slug) as $slug) {
                $above[] = $term->slug;
                $slugs[] = $slug;
            }
        }
        $counts = [];
        $sql = $query->toBase()->select('items.id');
        $found = DB::select(
            'select pair.above as term, count(distinct item_term.item_id) as records
            from item_term join terms on terms.id = item_term.term_id
            join unnest(?::text[], ?::text[]) as pair(above, slug) on pair.slug = terms.slug
            where terms.taxonomy_key = ? and item_term.item_id in ('.$sql->toSql().')
            group by pair.above',
            [Fragment::arrayLiteral($above), Fragment::arrayLiteral($slugs), $field->key, ...$sql->getBindings()],
        );
        foreach ($found as $row) {
            $counts[(string) $row->term] = (int) $row->records;
        }

        return $counts;
    }
}
