<span class="part said">{{ $made->text }}</span>
