<?php

declare(strict_types=1);

namespace App\Console;

use App\Catalogue\Subjects;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Problem\Refused;

/** The options of commands that run a module: date, viewer and page. */
trait AsksContext
{
    use AsksViewer;

    private const CONTEXT_OPTIONS = self::VIEWER_OPTIONS.'
        {--about= : what the page is about: item:TYPE/SLUG, term:TAXONOMY/SLUG, month:2026-05, year:2026, person:E-MAIL}
        {--words= : what the visitor looks for}
        {--choose= : what the visitor has chosen, as the address says it: light=half,full&price=3..10&sort=cheapest}';

    /**
     * @param  Module  $module  the module whose offer is used
     *
     * @throws Refused with the option as each problem's path
     */
    private function askedContext(Module $module): Context
    {
        $subject = app(Subjects::class)->find($this->given('--about'), '--about');
        parse_str($this->given('--choose'), $said);
        $parameters = ['q' => $this->given('--words')];
        foreach ($said as $name => $value) {
            $parameters[($module->offer->key ?? $module->key)."-{$name}"] = $value;
        }

        return $this->askedViewer()->with($subject, Choices::fromAddress($parameters));
    }
}
