<?php

declare(strict_types=1);

namespace App\Providers;

use App\Listing\Compile\Sort\CriteriaSql;
use App\Listing\Compile\Sort\CriterionSql;
use App\Listing\Compile\Source\SourceSql;
use App\Listing\Compile\Test\TestSql;
use App\Listing\Compile\Test\TestsSql;
use App\Listing\Sources;
use App\Site\Block\BlockData;
use App\Site\Block\BlockViews;
use App\Site\Output\Output;
use App\Site\Output\Outputs;
use Illuminate\Support\ServiceProvider;
use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Arrangement\Arrangements;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartKinds;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\FilterControls;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Kinds;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Blocks;
use Wellspring\Core\Sort\Criteria;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Source\SourceKinds;

/** Fills the registers with Wellspring's plug-ins and those of the installation in config/plugins.php. */
final class PluginServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        foreach ([
            [TestsSql::class, TestSql::class],
            [CriteriaSql::class, CriterionSql::class],
            [Sources::class, SourceSql::class],
            [Outputs::class, Output::class],
            [BlockViews::class, BlockData::class],
        ] as [$register, $interface]) {
            $added = array_filter(self::added(), fn (string $class): bool => is_subclass_of($class, $interface));
            $this->app->tag([...$register::CLASSES, ...$added], $interface);
            $this->app->when($register)->needs('$all')->giveTagged($interface);
            // Created once for a request, because many classes need them and each has a dozen parts.
            $this->app->scoped($register);
        }
    }

    public function boot(): void
    {
        foreach ([
            Kinds::class, Tests::class, Criteria::class, SourceKinds::class, PartKinds::class,
            Arrangements::class, FilterControls::class, Blocks::class,
        ] as $register) {
            $register::reset();
        }
        foreach (self::added() as $class) {
            match (true) {
                is_subclass_of($class, Kind::class) => Kinds::add(new $class),
                is_subclass_of($class, Test::class) => Tests::add(new $class),
                is_subclass_of($class, Criterion::class) => Criteria::add($class),
                is_subclass_of($class, Source::class) => SourceKinds::add($class),
                is_subclass_of($class, PartKind::class) => PartKinds::add(new $class),
                is_subclass_of($class, Block::class) => Blocks::add($class),
                is_subclass_of($class, FilterControl::class) => FilterControls::add(new $class),
                is_subclass_of($class, Arrangement::class) => Arrangements::add($class),
                default => null,
            };
        }
    }

    /** @return list<class-string> */
    private static function added(): array
    {
        return array_values(
            array_filter(
                config()->array('plugins'),
                fn (mixed $class): bool => is_string($class) && class_exists($class),
            ),
        );
    }
}
