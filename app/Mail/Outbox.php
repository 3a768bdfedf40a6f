<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/**
 * The mails of a site without a mail server. They are encrypted with the application's key, because they contain links
 * that open accounts.
 */
final class Outbox
{
    /** Days until a mail is removed. */
    private const DAYS = 30;

    public function add(SentMessage $message): void
    {
        $email = $message->getOriginalMessage();
        DB::table('outbox_letters')->insert([
            'recipient' => implode(', ', array_map(
                fn (Address $address): string => $address->getAddress(),
                $message->getEnvelope()->getRecipients(),
            )),
            'subject' => $email instanceof Email ? (string) $email->getSubject() : '',
            'message' => Crypt::encryptString($email instanceof Email
                ? (string) $email->getTextBody()
                : $message->toString()),
            'sent_at' => now(),
        ]);
    }

    /** @return list<array{id: int, to: string, subject: string, at: string}> newest first, without their text */
    public function list(int $most): array
    {
        return array_values(DB::table('outbox_letters')
            ->orderByDesc('id')
            ->limit($most)
            ->get(['id', 'recipient', 'subject', 'sent_at'])
            ->map(fn (\stdClass $row): array => [
                'id' => (int) $row->id, 'to' => (string) $row->recipient, 'subject' => (string) $row->subject,
                'at' => (string) $row->sent_at,
            ])
            ->all());
    }

    /** @return string|null the text of a letter; null if no letter has this number */
    public function read(int $id): ?string
    {
        $message = DB::table('outbox_letters')->where('id', $id)->value('message');

        return is_string($message) ? Crypt::decryptString($message) : null;
    }

    public function prune(): int
    {
        return DB::table('outbox_letters')->where('sent_at', '<', now()->subDays(self::DAYS))->delete();
    }
}
