{{-- Data, not a script: browsers run nothing of it, and no text in it ends the element. --}}
@php($flags = JSON_HEX_TAG | JSON_HEX_AMP | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)
<script type="application/ld+json">{!! json_encode($data, $flags) !!}</script>
