<?php

declare(strict_types=1);

namespace App\Site\Listings;

use App\Freshness\Dependencies;
use App\Modules\ModuleStore;
use App\Site\Output\ModuleView;
use App\Site\SitePages;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;

/** The modules on a page, with the state that the address gives them. */
final readonly class PageModules
{
    public function __construct(private ModuleStore $modules)
    {
    }

    /**
     * @param  list<string>  $keys
     * @param  Module|null  $instead  replaces the live module with its key, or adds it if none is live
     * @return array<string, BoundModule> those that show, by key; what follows another's offer with that offer
     */
    public function of(array $keys, Context $context, Dependencies $dependencies, ?Module $instead = null): array
    {
        $modules = [];
        for ($wanted = $keys; $wanted !== []; $wanted = self::shownInstead($modules, $wanted)) {
            $dependencies->on(...array_map(fn (string $key): string => "module:{$key}", $wanted));
            $rows = $this->modules->some($wanted)->keyBy('key');
            foreach ($wanted as $key) {
                $row = $rows->get($key);
                $module = $key === $instead?->key ? $instead : ($row === null ? null : $this->modules->live($row));
                $modules[$key] = $module;
            }
        }
        $modules = array_filter($modules);

        return array_map(
            fn (Module $module): BoundModule => self::following($module, $modules)->bound($context),
            $modules,
        );
    }

    /**
     * @param  array<string, Module|null>  $modules  the known modules by key
     * @param  list<string>  $keys  keys of the modules requested last
     * @return list<string> keys of those that show instead of them where they have nothing to show, not known yet
     */
    private static function shownInstead(array $modules, array $keys): array
    {
        $named = array_map(fn (string $key): ?string => ($modules[$key] ?? null)?->whenNothing->module, $keys);
        $new = array_filter($named, fn (?string $key): bool => $key !== null && ! array_key_exists($key, $modules));

        return array_values(array_unique($new));
    }

    /**
     * The parameters of the page's links: for each module in turn the visitor's choices, in the order of the offer, and
     * the current page. Other parameters of the address are dropped.
     *
     * @param  array<string, BoundModule>  $modules  of the page, by key
     * @param  array<string, string>  $asked  see SitePages::page
     * @return array<string, string>
     */
    public static function parameters(array $modules, Context $context, array $asked): array
    {
        $parameters = [];
        foreach ($modules as $key => $module) {
            if ($module->follows === null) {
                $parameters += $module->chosen->parameters();
            }
            foreach ($module->addressNames() as $name) {
                $parameters += array_filter([$name => $context->choices->value($name)], is_string(...));
            }
            if (isset($asked[$key])) {
                $parameters[ModuleView::parameterOf($key)] = $asked[$key];
            }
        }

        return $parameters;
    }

    /** @param  array<string, Module>  $modules  of the page */
    private static function following(Module $module, array $modules): Module
    {
        foreach ($modules as $other) {
            if ($module->follows !== null && $other->offer?->key === $module->follows) {
                return $module->following($other->offer, $module->type()->reachable);
            }
        }

        return $module;
    }
}
