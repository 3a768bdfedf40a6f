<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Listings\VisitorListing;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Run\Step;

/** The output of wellspring:run --json. */
final class JsonOutput implements Output
{
    public static function key(): string
    {
        return 'json';
    }

    public static function mediaType(): string
    {
        return 'application/json';
    }

    public function write(VisitorListing $listing): string
    {
        return self::written(self::of($listing));
    }

    /** @param  array<string, mixed>  $data */
    public static function written(array $data): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @return array<string, mixed> */
    public static function of(VisitorListing $listing): array
    {
        $result = $listing->result;

        return [
            'module' => $listing->module->key,
            'total' => $result->total,
            'pages' => $result->pages,
            'page' => $result->page,
            ...$listing->module->offered() === null ? [] : [
                'choices' => self::choices($listing->module),
                'offers' => array_map(fn (Facet $facet): array => $facet->toArray(), $listing->facets),
            ],
            'steps' => array_map(
                fn (Step $step): array => ['step' => (string) $step->name, 'left' => $step->left],
                $result->steps,
            ),
            'items' => array_map(
                fn (Record $record): array => [
                    'id' => $record->id,
                    'type' => $record->type,
                    'slug' => $record->slug,
                    'title' => $record->title,
                    ...$record->start === null ? [] : ['start' => $record->start],
                ],
                $listing->records,
            ),
        ];
    }

    /** @return object what is chosen, as understood: parameters without the offer's key */
    private static function choices(BoundModule $module): object
    {
        $chosen = [];
        foreach ($module->chosen->parameters() as $name => $said) {
            $chosen[substr($name, strlen($module->offered()->key ?? '') + 1)] = $said;
        }

        return (object) $chosen;
    }
}
