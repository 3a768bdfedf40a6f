<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Listing\Facets\FacetCounter;
use App\Listing\Listing;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\Choices;

/** The counts of five filters, beside one hand-written grouped query. */
final readonly class ChoicesBenchmark implements Benchmark
{
    public function __construct(private FacetCounter $counter, private Listing $listing)
    {
    }

    public function measure(BenchmarkSite $site): iterable
    {
        $module = $site->modules['choices'];
        $rows = [];
        foreach ([
            'nothing chosen' => [[], 'true', 'true'],
            'two chosen' => [
                ['choices-light' => 'half-shade,shade', 'choices-price' => '5..20'],
                HandWrittenSql::LIGHT,
                "(items.fields->>'price')::numeric between 5 and 20",
            ],
        ] as $what => [$parameters, $light, $price]) {
            $context = $site->context->with(choices: Choices::fromAddress($parameters));
            $bound = $module->bound($context);
            $count = fn (): array => $this->counter->of($bound, $context, $bound->offer->filters ?? []);
            $grouped = fn (): array => DB::select(self::grouped($light, $price));
            $rows[] = Stopwatch::compare($what, $count, $grouped);
            // The first filter, without a choice, counts all listed records.
            $rows[] = Stopwatch::compare(
                "{$what}, and page 1 with its total",
                fn () => $this->listing->show($module, $context, listed: $count()[0]->left),
                $grouped,
            );
        }
        yield new BenchmarkTable(['counts of five filters', 'Wellspring ms', 'by hand ms', 'ratio'], $rows);
    }

    /** Each condition is the choice in one filter. */
    private static function grouped(string $light, string $price): string
    {
        $candidates = HandWrittenSql::CANDIDATES;

        return <<<SQL
            select grouping(light, term_ids, price, height, stock), light, term_ids, price, height, stock,
                count(*) filter (where price_chosen) as by_light,
                count(*) filter (where light_chosen) as by_price,
                count(*) filter (where light_chosen and price_chosen) as by_others
            from (
                select items.fields->>'light' as light, term_ids, (items.fields->>'price')::numeric as price,
                    (items.fields->>'height')::numeric as height,
                    (items.fields->>'stock')::numeric > 0 as stock,
                    {$light} as light_chosen, {$price} as price_chosen
                from items where {$candidates}
            ) as listed
            group by grouping sets ((light), (term_ids), (price), (height), (stock))
            SQL;
    }
}
