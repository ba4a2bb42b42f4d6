<?php

declare(strict_types=1);

namespace App\Mail;

use Carbon\CarbonImmutable;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** That somebody signed in on a device that was not used before. */
final class NewDevice extends Mailable
{
    public readonly string $moment;

    public function __construct(public readonly string $name, public readonly string $device, string $zone)
    {
        $this->moment = CarbonImmutable::now($zone)->format('j M Y, H:i');
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Rung: a sign-in on a new device');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.new-device');
    }
}
