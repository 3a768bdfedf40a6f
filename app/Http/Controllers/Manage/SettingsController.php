<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\StaleWrite;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\Requests\DefinitionRequest;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\SaveDraftRequest;
use App\Http\Resources\Standing;
use App\Models\Item;
use App\Models\SiteDefinition;
use App\Pages\PublishSettings;
use App\Pages\SiteDefinitionStore;
use App\Tasks\TaskAnswer;
use App\Tasks\Tasks;
use Database\Seeders\Demo\DemoRemoval;
use OpenApi\Attributes as OA;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Context\SiteSettingsReader;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * The settings of the whole site.
 *
 * @phpstan-import-type SettingsFileShape from DefinitionSchemas
 * @phpstan-import-type NamedShape from StartController
 *
 * @phpstan-type SettingsWholeShape array{
 *     key: string, definition: SettingsFileShape, revision: int, savedAt: string, live: bool, changed: bool,
 *     publishedAt: string|null,
 * }
 * @phpstan-type SettingsChoicesShape array{
 *     locales: list<NamedShape>, timeZones: list<NamedShape>, currencies: list<NamedShape>,
 *     weekdays: list<array{number: int, name: string}>,
 * }
 * @phpstan-type SettingsPreviewShape array{
 *     moment: string, day: string, month: string, money: string, number: string, week: list<string>,
 * }
 */
final readonly class SettingsController
{
    public function __construct(private SiteDefinitionStore $store, private SiteSettings $site)
    {
    }

    /** @return SettingsWholeShape those that the configuration says, while there are no others */
    public function show(): array
    {
        $row = $this->store->settings();

        return [
            'key' => SiteDefinitionStore::SETTINGS,
            'definition' => $row === null ? $this->site->toArray() : self::written($row),
            'revision' => $row === null ? 0 : $row->revision,
            'savedAt' => Iso8601::format($row === null ? now()->toImmutable() : $row->updated_at),
        ] + ($row === null ? Standing::untouched(true) : Standing::of($row));
    }

    /** @return SettingsChoicesShape */
    public function choices(): array
    {
        $currencies = \ResourceBundle::create('en', 'ICUDATA-curr')?->get('Currencies');

        return [
            'locales' => self::byLabel(array_map(
                fn (string $key): array => [
                    'key' => $key,
                    'label' => (string) \Locale::getDisplayName($key, 'en')." ({$key})",
                ],
                SiteSettingsReader::locales(),
            )),
            'timeZones' => array_map(
                fn (string $key): array => ['key' => $key, 'label' => str_replace('_', ' ', $key)],
                SiteSettingsReader::timeZones(),
            ),
            'currencies' => self::byLabel(array_map(
                fn (string $key): array => [
                    'key' => $key,
                    'label' => ($currencies?->get($key)?->get(1) ?? $key)." ({$key})",
                ],
                SiteSettingsReader::currencies(),
            )),
            'weekdays' => array_map(
                fn (int $number): array => ['number' => $number, 'name' => self::weekday($number, 'en')],
                range(1, 7),
            ),
        ];
    }

    /** @return SettingsPreviewShape how the site writes dates, money and numbers under these settings */
    public function preview(DefinitionRequest $request): array
    {
        $settings = SiteSettingsReader::read($request->definition());
        [$format, $calendar] = [$settings->format(), $settings->calendar()];
        $now = Iso8601::format(now()->toImmutable());

        return [
            'moment' => $format->dateTime($now),
            'day' => $format->day($calendar->dayOf($now)),
            'month' => $format->month($calendar->dayOf($now)),
            'money' => $format->money(1234.5),
            'number' => $format->number(1234567.8),
            'week' => array_map(
                fn (int $day): string => self::weekday(
                    ($calendar->firstWeekday + $day - 1) % 7 + 1,
                    $settings->locale,
                ),
                range(0, 6),
            ),
        ];
    }

    /** @return array{revision: int, savedAt: string} */
    #[OA\Response(response: 409, description: 'Somebody else saved it meanwhile.', content: new OA\MediaType(
        'application/json',
        new OA\Schema(ref: '#/components/schemas/Conflict'),
    ))]
    public function saveDraft(SaveDraftRequest $request): array
    {
        $settings = SiteSettingsReader::read($request->definition());
        $row = $this->store->save($settings, (int) $request->validated()['revision']);

        return ['revision' => $row->revision, 'savedAt' => Iso8601::format($row->updated_at)];
    }

    /** @return TaskAnswer<array{published: bool}> */
    public function publish(RevisionRequest $request, Tasks $tasks): TaskAnswer
    {
        $row = $this->store->settings();
        $row === null || StaleWrite::unless($row->revision, $request->seen());
        $locale = $row === null ? $this->site->locale : $row->draft['locale'] ?? '';

        return $tasks->run(
            PublishSettings::class,
            'Publish the site’s settings',
            [],
            $locale === $this->site->locale ? 0 : Item::query()->count(),
        );
    }

    /** @return array{left: int} how many things of the demo site are here */
    public function demo(): array
    {
        return ['left' => DemoRemoval::left()];
    }

    /** @return array{change: int, removed: int, left: list<string>} */
    public function removeDemo(DemoRemoval $removal): array
    {
        return $removal->remove();
    }

    /** @param  int  $number  ISO 8601: 1 is Monday */
    private static function weekday(int $number, string $locale): string
    {
        $formatter = new \IntlDateFormatter(
            $locale,
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            'UTC',
            \IntlDateFormatter::GREGORIAN,
            'cccc',
        );

        // 1 January 2024 was a Monday.
        return (string) $formatter->format(new \DateTimeImmutable("2024-01-0{$number}", new \DateTimeZone('UTC')));
    }

    /**
     * @param  list<NamedShape>  $named
     * @return list<NamedShape>
     */
    private static function byLabel(array $named): array
    {
        usort($named, fn (array $a, array $b): int => strcmp($a['label'], $b['label']));

        return $named;
    }

    /** @return SettingsFileShape as it is stored, where it can no longer be read */
    private static function written(SiteDefinition $row): array
    {
        try {
            return SiteSettingsReader::read($row->draft)->toArray();
        } catch (Refused) {
            return $row->draft;
        }
    }
}
