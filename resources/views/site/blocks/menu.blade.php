<nav class="menu" aria-label="{{ $menu === 'main' ? 'Main' : ucfirst($menu) }}">
    @include('site.menu', ['entries' => $entries, 'path' => $address->path])
</nav>
