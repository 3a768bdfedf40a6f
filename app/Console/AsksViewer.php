<?php

declare(strict_types=1);

namespace App\Console;

use App\Listing\ContextFactory;
use App\People\Viewers;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/** The options of commands that show the site: viewer and date. */
trait AsksViewer
{
    use ReportsProblems;

    private const VIEWER_OPTIONS = '
        {--on= : the moment to run at, such as 2026-05-01T18:30:00Z; now unless given}
        {--as= : who looks: everyone, signed-out (unless given), members, or members,group:KEY for those of groups}
        {--person= : the e-mail address of a person who has signed in and looks}';

    /** @throws Refused with the option as each problem's path */
    private function askedViewer(): Context
    {
        $on = $this->given('--on');
        $now = $on === '' ? new \DateTimeImmutable : Iso8601::parse($on);
        if ($now === null) {
            $expected = 'expected a moment such as 2026-05-01T18:30:00Z';
            throw Refused::because('--on', ProblemCode::WrongValue, "{$expected}, found “{$on}”.");
        }
        $viewer = app(Viewers::class)->asked($this->given('--as'), $this->given('--person'), '--as', '--person');

        return app(ContextFactory::class)->at($now, $viewer);
    }
}
