<?php

declare(strict_types=1);

namespace App\People;

use App\Wording\SiteText;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Wellspring\Core\Context\SiteSettings;

/** The mail with the link to choose a password. */
final class AccountLink extends Mailable
{
    /** @param  string  $valid  validity of the link: `60 minutes` */
    private function __construct(
        public readonly string $name,
        private readonly string $secret,
        private readonly string $valid,
    ) {
    }

    public static function invitation(string $name, string $secret): self
    {
        return new self($name, $secret, SiteText::plain('mail.days', ['n' => AccountLinks::INVITATION_DAYS]));
    }

    public static function password(string $name, string $secret): self
    {
        return new self($name, $secret, SiteText::plain('mail.minutes', ['n' => AccountLinks::PASSWORD_MINUTES]));
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: SiteText::plain('mail.linkSubject', ['site' => app(SiteSettings::class)->name]));
    }

    public function content(): Content
    {
        return new Content(text: 'site.account.message', with: [
            'link' => AccountLinks::address($this->secret, 'account'), 'valid' => $this->valid,
        ]);
    }
}
