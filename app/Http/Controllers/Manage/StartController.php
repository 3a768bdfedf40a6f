<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Catalogue\CatalogueStore;
use App\Catalogue\PeopleNames;
use App\Http\Resources\FieldResource;
use App\Http\Resources\ModuleResource;
use App\Models\User;
use App\Pages\PageQuery;
use App\People\DemoAccounts;
use App\People\People;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Arrangement\Arrangements;
use Wellspring\Core\Arrangement\Columns;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartKinds;
use Wellspring\Core\Card\PartStyle;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\FilterControls;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Look\Departure;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Page\Blocks;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Source\SourceKinds;
use Wellspring\Core\Source\SourceStart;
use Wellspring\Core\Video\VideoSite;
use Wellspring\Core\Who\Audience;

/**
 * The data that every manage screen needs first: types, taxonomies, pages, and what rules can use of them.
 *
 * @phpstan-import-type FieldShape from FieldResource
 * @phpstan-import-type SitePageShape from ModuleResource
 *
 * @phpstan-type NamedShape array{key: string, label: string}
 *
 * @phpstan-import-type OptionShape from Option
 *
 * @phpstan-type PlugInShape array{key: string, label: string, options: list<OptionShape>}
 * @phpstan-type BlockKindShape array{key: string, label: string, options: list<OptionShape>, mayBeEmpty: bool}
 * @phpstan-type FilterControlShape array{
 *     key: string, words: string, takesSeveral: bool, takesRule: bool,
 *     takes: list<'counts'|'most'|'open'>, settings: list<OptionShape>,
 * }
 * @phpstan-type ContentTypeShape array{
 *     key: string, label: string, plural: string, address: string, fields: list<FieldShape>, own: list<string>,
 *     taxonomies: list<string>,
 * }
 * @phpstan-type TaxonomyShape array{
 *     key: string, label: string, tree: bool, terms: list<array{slug: string, name: string, depth: int}>,
 * }
 * @phpstan-type StartShape array{
 *     user: array{name: string, email: string, role: 'manager'|'author'|'member'},
 *     site: array{name: string, locale: string, timeZone: string, currency: string, videoSites: list<string>},
 *     demoPassword: bool,
 *     types: list<ContentTypeShape>, taxonomies: list<TaxonomyShape>, pages: list<SitePageShape>,
 *     sources: list<PlugInShape>, blocks: list<BlockKindShape>, arrangements: list<PlugInShape>,
 *     parts: list<PlugInShape>, partStyle: list<OptionShape>,
 *     departure: list<OptionShape>, audiences: list<NamedShape>, people: list<array{name: string, email: string}>,
 *     pageModes: list<array{key: string, label: string, loads: int|null}>,
 *     groups: list<array{key: string, name: string}>,
 *     filterControls: list<FilterControlShape>, offer: list<OptionShape>,
 *     limits: array{columns: int, pageSize: int},
 * }
 */
final readonly class StartController
{
    public function __construct(
        private CatalogueStore $store,
        private People $people,
        private PageQuery $pages,
        private SiteSettings $site,
    ) {
    }

    /** @return StartShape */
    public function __invoke(): array
    {
        $catalogue = $this->store->catalogue();
        $user = Auth::user();
        if (! $user instanceof User) {
            throw new AuthenticationException;
        }

        return [
            'user' => ['name' => $user->name, 'email' => $user->email, 'role' => $user->role],
            'site' => [
                'name' => $this->site->name,
                'locale' => $this->site->locale,
                'timeZone' => $this->site->timeZone,
                'currency' => $this->site->currency,
                'videoSites' => array_map(fn (VideoSite $site): string => $site->name, $this->site->videoSites),
            ],
            // True on a public site where the published demo password still opens an account.
            'demoPassword' => Gate::allows('manage') && ! DemoAccounts::openThisSite() && User::query()
                ->where('active', true)
                ->where('email', 'like', '%@'.DemoAccounts::DOMAIN)
                ->get()
                ->contains($this->people->hasDemoPassword(...)),
            'types' => array_map($this->type(...), array_values($catalogue->types)),
            'taxonomies' => $this->taxonomies($catalogue),
            'pages' => array_map(ModuleResource::page(...), array_values($this->pages->published()->all())),
            'sources' => array_values(array_map(fn (SourceStart $start): array => [
                'key' => $start->key,
                'label' => $start->label,
                'options' => self::options($start->options),
            ], SourceKinds::starts())),
            'blocks' => array_values(array_map(fn (string $one): array => [
                'key' => $one::key(),
                'label' => $one::label(),
                'options' => self::options($one::options()),
                'mayBeEmpty' => isset($one::optionSchemas()['empty']),
            ], Blocks::all())),
            'arrangements' => array_values(array_map(fn (string $one): array => [
                'key' => $one::key(),
                'label' => $one::label(),
                'options' => self::options($one::options()),
            ], Arrangements::all())),
            'parts' => array_values(array_map(fn (PartKind $kind): array => [
                'key' => $kind->key(),
                'label' => $kind->label(),
                'options' => self::options($kind->options()),
            ], PartKinds::all())),
            'partStyle' => self::options(PartStyle::options()),
            'departure' => self::options(Departure::options()),
            'audiences' => $this->audiences(),
            'people' => array_values(User::byName()
                ->where('active', true)
                ->limit(500)
                ->get(['name', 'email', 'slug'])
                ->map(
                    fn (User $one): array => [
                        'name' => $one->name,
                        'email' => PeopleNames::nameFor($user, $one->email, $one->slug),
                    ],
                )->all()),
            'pageModes' => array_map(
                fn (PagingMode $mode): array => [
                    'key' => $mode->value,
                    'label' => $mode->words(),
                    'loads' => $mode->defaultLoads(),
                ],
                PagingMode::cases(),
            ),
            'groups' => array_map(
                fn (string|int $key): array => ['key' => (string) $key, 'name' => $catalogue->groups[$key]],
                array_keys($catalogue->groups),
            ),
            'filterControls' => array_values(array_map(fn (FilterControl $one): array => [
                'key' => $one->key(),
                'words' => $one->words(),
                'takesSeveral' => $one->takesSeveral(),
                'takesRule' => $one->takesRule(),
                'takes' => $one->takes(),
                'settings' => self::options($one->settings()),
            ], FilterControls::all())),
            'offer' => self::options(Offer::settings()),
            'limits' => ['columns' => Columns::MAX, 'pageSize' => PagingRule::MAX_SIZE],
        ];
    }

    /**
     * @param  list<Option>  $options
     * @return list<OptionShape>
     */
    private static function options(array $options): array
    {
        return array_map(fn (Option $option): array => $option->describe(), $options);
    }

    /** @return ContentTypeShape */
    private function type(Type $type): array
    {
        return [
            'key' => $type->key,
            'label' => $type->label,
            'plural' => $type->plural,
            'address' => $type->address,
            'fields' => array_map(
                fn (Field $field): array => FieldResource::of($field),
                array_values(array_diff_key($type->reachable, ['views' => 0, 'id' => 0, 'words' => 0])),
            ),
            'own' => array_map(strval(...), array_keys($type->fields)),
            'taxonomies' => array_map(strval(...), array_keys($type->taxonomies)),
        ];
    }

    /** @return list<TaxonomyShape> */
    private function taxonomies(Catalogue $catalogue): array
    {
        $all = [];
        foreach ($catalogue->taxonomies as $taxonomy) {
            $all[] = [
                'key' => $taxonomy->key,
                'label' => $taxonomy->label,
                'tree' => $taxonomy->tree,
                'terms' => array_map(
                    fn (array $row): array => [
                        'slug' => $row['term']->slug,
                        'name' => $row['term']->name,
                        'depth' => $row['depth'],
                    ],
                    $taxonomy->terms->asTree(),
                ),
            ];
        }

        return $all;
    }

    /** @return list<NamedShape> whom items can be for */
    private function audiences(): array
    {
        $all = [];
        foreach ([Audience::EVERYONE, Audience::SIGNED_OUT, Audience::MEMBERS] as $key) {
            $all[] = ['key' => $key, 'label' => Audience::keyWords($key)];
        }
        foreach ($this->store->catalogue()->groups as $key => $name) {
            $all[] = ['key' => Audience::GROUP.$key, 'label' => Audience::keyWords(Audience::GROUP.$key, $name)];
        }

        return $all;
    }
}
