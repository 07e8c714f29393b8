# How every target is compiled: warnings as errors, a fast linker and a compiler cache where present.
add_compile_options(-Wall -Wextra -Wpedantic -Wshadow -Wnon-virtual-dtor -Woverloaded-virtual -Werror)
set(CMAKE_CXX_FLAGS_RELEASE "-O3 -DNDEBUG")

if(YEMVO_SANITIZE)
    add_compile_options(-fsanitize=address,undefined -fno-sanitize-recover=undefined -fno-omit-frame-pointer)
    add_link_options(-fsanitize=address,undefined)
    add_compile_options(-Wno-maybe-uninitialized)  # g++ 12 reports false ones under the sanitizers
    set(CMAKE_CXX_FLAGS_RELWITHDEBINFO "-O1 -g1")
endif()

find_program(CCACHE ccache)
if(CCACHE)
    set(CMAKE_CXX_COMPILER_LAUNCHER ${CCACHE})
    # precompiled headers need this of the cache
    set(ENV{CCACHE_SLOPPINESS} pch_defines,time_macros)
endif()
find_program(MOLD mold)
if(MOLD)
    add_link_options(-fuse-ld=mold)
endif()
