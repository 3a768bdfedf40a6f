<?php

declare(strict_types=1);

namespace App\Mail;

use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;

/** Puts mails into the outbox, where the operator of a site without a mail server can read them. */
final class OutboxTransport extends AbstractTransport
{
    public const NAME = 'outbox';

    public function __construct(private readonly Outbox $outbox)
    {
        parent::__construct();
    }

    public function __toString(): string
    {
        return self::NAME;
    }

    protected function doSend(SentMessage $message): void
    {
        $this->outbox->add($message);
    }
}
