<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Listings\VisitorListing;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\RenderedPart;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Wording\Format;

/** The output of wellspring:run --cards --json: as --json, with the lines of each card. */
final readonly class CardsOutput implements Output
{
    public function __construct(private Format $format)
    {
    }

    public static function key(): string
    {
        return 'cards';
    }

    public static function mediaType(): string
    {
        return 'application/json';
    }

    public function write(VisitorListing $listing): string
    {
        $context = new CardContext($listing->context, $this->format);

        return JsonOutput::written(JsonOutput::of($listing) + ['cards' => array_map(
            fn (Record $record): array => [
                'key' => (string) $record->key(),
                'lines' => array_map(
                    fn (array $line): array => array_map(self::part(...), $line),
                    $listing->module->shownCard->lines($record, $context),
                ),
            ],
            $listing->records,
        )]);
    }

    /** @return array<string, string> */
    private static function part(RenderedPart $made): array
    {
        return [
            'part' => $made->part->kind->key(),
            ...$made->part->option('field') === '' ? [] : ['field' => $made->part->option('field')],
            'shows' => $made->shows->value,
            'text' => $made->text,
        ];
    }
}
