Dear {{ $name }},

choose your password for {{ $site->name }} here:

{{ $link }}

The link is valid for {{ $valid }} and works once. If you did not ask for it,
you need not do anything.
