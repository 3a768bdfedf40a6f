<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The background of a band: a site colour, a picture, or the picture of the page's record. */
final readonly class Ground
{
    /** @param  'colour'|'picture'|'page'  $kind */
    private function __construct(public string $kind, public string $name)
    {
    }

    public static function read(Shape $band, Problems $problems): ?self
    {
        if (! $band->has('ground')) {
            return null;
        }
        $shape = new Shape($band->raw('ground'), $band->at('ground'), $problems);
        foreach (['colour', 'picture', 'page'] as $kind) {
            if ($shape->has($kind)) {
                $name = match ($kind) {
                    'page' => $shape->oneOf('page', ['picture']),
                    'colour' => $shape->oneOf('colour', array_column(ColourRole::cases(), 'value')),
                    'picture' => $shape->text('picture'),
                };
                $shape->noOthers();

                return new self($kind, $name);
            }
        }
        $problems->add($band->at('ground'), ProblemCode::WrongValue, 'expected one of colour, picture, page.');

        return null;
    }

    /**
     * @param  string|null  $own  the picture of the page's record
     * @return string|null the file's name of the picture that it is; null of a colour, and where there is none
     */
    public function picture(?string $own): ?string
    {
        return match ($this->kind) {
            'colour' => null,
            'picture' => $this->name,
            'page' => $own,
        };
    }

    public function words(): string
    {
        return match ($this->kind) {
            'colour' => "the colour {$this->name}",
            'picture' => "the picture {$this->name}",
            'page' => 'the page’s own picture',
        };
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return [$this->kind => $this->name];
    }
}
