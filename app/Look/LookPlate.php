<?php

declare(strict_types=1);

namespace App\Look;

use App\Models\Media;
use Illuminate\Contracts\View\Factory;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Look\Look;
use Wellspring\Core\Look\LookReader;

/** A plate with the parts of a site in a look: a separate document for the manage screens. */
final readonly class LookPlate
{
    public function __construct(private Factory $views, private LookSheets $sheets, private SiteSettings $site)
    {
    }

    /** @param  bool  $dark  true for the dark colours */
    public function html(Look $look, bool $dark): string
    {
        $seen = $look;
        if ($dark && $look->dark !== null) {
            $definition = $look->toArray();
            $light = is_array($definition['light'] ?? null) ? $definition['light'] : [];
            $seen = LookReader::read(['light' => ['scheme' => 'dark'] + $light] + $definition);
        } elseif ($look->text('light', 'scheme') === 'visitor') {
            $seen = LookReader::read(['light' => ['scheme' => 'light']] + $look->toArray());
        }

        return $this->views->make('manage.plate', [
            'sheet' => $this->sheets->address($seen),
            'site' => $this->site,
            'pictures' => Media::query()->where('kind', 'picture')->orderBy('id')->limit(3)->get()->all(),
        ])->render();
    }
}
