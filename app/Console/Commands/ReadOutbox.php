<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Mail\Outbox;
use Illuminate\Console\Command;

final class ReadOutbox extends Command
{
    private const LISTED = 50;

    protected $signature = 'wellspring:outbox
        {letter? : the number of a letter, to read it}
        {--json : one object a line}';

    protected $description = 'List or read the letters of a site that has no mail server set';

    public function handle(Outbox $outbox): int
    {
        $id = $this->argument('letter');
        if ($id !== null) {
            $letter = is_numeric($id) ? $outbox->read((int) $id) : null;
            $letter === null
                ? $this->error('letter: expected the number of a letter in the outbox, found “'
                    .(is_string($id) ? $id : '').'”.')
                : $this->line($letter);

            return $letter === null ? self::FAILURE : self::SUCCESS;
        }
        foreach ($outbox->list(self::LISTED) as $letter) {
            $this->line($this->option('json')
                ? json_encode($letter, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)
                : "{$letter['id']}  {$letter['at']}  {$letter['to']}  {$letter['subject']}");
        }

        return self::SUCCESS;
    }
}
