/// <reference types="unplugin-icons/types/vue" />
