<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** What a module says when it has nothing to show. */
final readonly class WhenNothing
{
    public const TEXT = 'There is nothing to show here at the moment.';

    public function __construct(public string $text = self::TEXT)
    {
    }

    public static function read(Shape $definition, Problems $problems): self
    {
        if (! $definition->has('whenNothing')) {
            return new self;
        }
        $rule = new Shape($definition->raw('whenNothing'), 'whenNothing', $problems, ['do', 'text']);
        $rule->oneOf('do', ['say']);
        $text = $rule->text('text');
        $rule->noOthers();

        return new self($text);
    }

    /** @return array{do: string, text: string} */
    public function toArray(): array
    {
        return ['do' => 'say', 'text' => $this->text];
    }
}
