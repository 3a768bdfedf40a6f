<?php

declare(strict_types=1);

namespace App\Console;

use App\Catalogue\Subjects;
use App\Listing\ContextFactory;
use App\People\Viewers;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/** What commands that run a module ask about when, for whom and on which page it runs. */
trait AsksContext
{
    private const CONTEXT_OPTIONS = '
        {--on= : the moment to run at, such as 2026-05-01T18:30:00Z; now unless given}
        {--as= : who looks: everyone, signed-out (unless given), members, or members,group:KEY for those of groups}
        {--person= : the e-mail address of a person who has signed in and looks}
        {--about= : what the page is about: item:TYPE/SLUG, term:TAXONOMY/SLUG, month:2026-05, year:2026, person:E-MAIL}
        {--words= : what the visitor looks for}
        {--choose= : what the visitor has chosen, as the address says it: light=half,full&price=3..10&sort=cheapest}';

    /**
     * @param  Module  $module  whose offer is chosen from
     *
     * @throws Refused with the option as each problem's path
     */
    private function askedContext(Module $module): Context
    {
        $on = $this->given('--on');
        $now = $on === '' ? new \DateTimeImmutable : Iso8601::parse($on);
        if ($now === null) {
            $expected = 'expected a moment such as 2026-05-01T18:30:00Z';
            throw Refused::because('--on', ProblemCode::WrongValue, "{$expected}, found “{$on}”.");
        }
        $viewer = app(Viewers::class)->asked($this->given('--as'), $this->given('--person'), '--as', '--person');
        $subject = app(Subjects::class)->find($this->given('--about'), '--about');
        parse_str($this->given('--choose'), $said);
        $parameters = ['q' => $this->given('--words')];
        foreach ($said as $name => $value) {
            $parameters[($module->offer->key ?? $module->key)."-{$name}"] = $value;
        }

        return app(ContextFactory::class)->at($now, $viewer, $subject, Choices::fromAddress($parameters));
    }
}
