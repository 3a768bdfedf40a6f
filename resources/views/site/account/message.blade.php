{!! App\Wording\SiteText::plain('mail.linkText', [
    'name' => $name, 'site' => $site->name, 'link' => $link, 'valid' => $valid,
]) !!}
