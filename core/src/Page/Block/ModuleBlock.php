<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/**
 * A module with its name, another heading or none: `{"module": "plants-for-shade", "heading": false}`. The level of the
 * heading can be set; the page uses a higher level if one would be skipped.
 */
final readonly class ModuleBlock implements Block
{
    use Defaults;

    /** The default level of a heading. */
    public const LEVEL = 2;

    /**
     * @param  string|false|null  $heading  null: the module's name; false: none
     * @param  int|null  $level  of the heading, 2 to 6; null: automatic
     */
    public function __construct(
        public string $module,
        public string|false|null $heading = null,
        public ?int $level = null,
    ) {
    }

    public static function key(): string
    {
        return 'module';
    }

    public static function label(): string
    {
        return 'Module';
    }

    public static function begin(BlockSite $site): null
    {
        return null;
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $module = $shape->text('module');
        if ($module !== '' && preg_match(Module::KEY, $module) !== 1) {
            $shape->wrong('module', 'the key of a module', $module);
        }
        $heading = match (true) {
            ! $shape->has('heading') => null,
            $shape->raw('heading') === false => false,
            default => $shape->text('heading'),
        };

        return new self($module, $heading, $shape->wholeOrNull('level', 2, 6));
    }

    public static function optionSchemas(): array
    {
        return [
            'module' => ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$'],
            'heading' => ['oneOf' => [['type' => 'string', 'minLength' => 1], ['const' => false]]],
            'level' => ['type' => 'integer', 'minimum' => 2, 'maximum' => 6],
        ];
    }

    public function words(): string
    {
        return "the module {$this->module}".match (true) {
            $this->heading === null => '',
            $this->heading === false => ' without a heading',
            default => " under “{$this->heading}”",
        };
    }

    public function modules(): array
    {
        return [$this->module];
    }

    public function toArray(): array
    {
        return ['module' => $this->module] + ($this->heading === null ? [] : ['heading' => $this->heading])
            + ($this->level === null ? [] : ['level' => $this->level]);
    }
}
