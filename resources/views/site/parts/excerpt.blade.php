<span
    class="part excerpt"
>@if ($made->part->label !== '')<span class="label">{{ $made->part->label }}</span> @endif{{ $made->text }}</span>
