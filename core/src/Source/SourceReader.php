<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Reads the source of a module. */
final readonly class SourceReader
{
    public function __construct(private Catalogue $catalogue, private Problems $problems)
    {
    }

    public function read(Shape $definition): ?Source
    {
        $data = $definition->raw('source');
        $shape = new Shape($data, 'source', $this->problems);
        if (! is_array($data)) {
            return null;
        }
        $keys = SourceKinds::keys();
        if (count(array_filter($keys, $shape->has(...))) !== 1) {
            $this->problems->add(
                'source',
                ProblemCode::WrongSource,
                'expected exactly one of '.implode(', ', $keys).'.',
            );

            return null;
        }
        foreach (SourceKinds::all() as $kind) {
            if ($kind::isSaidBy($shape)) {
                $source = $kind::read($shape, new SourceSite($this->catalogue, $this->problems));
                $source === null || $shape->noOthers();

                return $source;
            }
        }

        return null;
    }
}
