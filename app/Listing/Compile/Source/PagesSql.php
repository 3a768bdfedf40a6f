<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use App\Database\PostgresArray;
use App\Listing\PageRecords;
use App\Listing\RecordRows;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\Pages;
use Wellspring\Core\Text\Fold;

/** @implements SourceSql<Pages> */
final readonly class PagesSql implements SourceSql
{
    public function __construct(private PageRecords $pages)
    {
    }

    public function source(): string
    {
        return Pages::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        $query = $this->allOfKind($source, $context)->whereRaw('items.active');
        if ($source->under !== null) {
            $query->whereRaw("starts_with(items.fields->>'address', ?)", [rtrim($source->under, '/').'/'])
                ->whereRaw("items.fields->>'address' <> ?", [$source->under]);
        }
        if ($source->only !== []) {
            $query->whereRaw("items.fields->>'address' = any(?::text[])", [PostgresArray::literal($source->only)]);
        }

        return $query;
    }

    public function allOfKind(object $source, Context $context): Builder
    {
        $rows = array_map(fn (array $row): array => ['folded' => array_map(Fold::of(...), array_filter(
            ['title' => $row['title'], 'slug' => $row['slug'], 'text' => strip_tags((string) $row['text'])]
                + array_filter($row['fields'], is_string(...)),
        ))] + $row, $this->pages->rows($context));
        $query = DB::query()->selectRaw(<<<'SQL'
            listed.id, ?::text as type_key, listed.slug, listed.title, listed.text, listed.folded,
                null::timestamptz as publish_at, false as lead, listed.active, listed.fields
            SQL, [Pages::KEY])
            ->fromRaw(
                'jsonb_to_recordset(?::jsonb) as listed(id bigint, slug text, title text, text text, active boolean, '
                    .'folded jsonb, fields jsonb)',
                [json_encode($rows, JSON_THROW_ON_ERROR)],
            );

        return RecordRows::named($query);
    }

    public function unstored(object $source, string $slug, Context $context): ?Record
    {
        return null;
    }
}
