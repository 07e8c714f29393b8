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
    # Precompiled headers need the sloppiness and -fpch-preprocess of the cache; it is set in the launcher, since what the
    # environment holds while configuring does not reach the build. Paths below the source count from there, so that a clone
    # in another folder finds what this one compiled.
    set(CMAKE_CXX_COMPILER_LAUNCHER ${CMAKE_COMMAND} -E env
        CCACHE_SLOPPINESS=pch_defines,time_macros,include_file_mtime,include_file_ctime
        CCACHE_BASEDIR=${CMAKE_SOURCE_DIR} CCACHE_NOHASHDIR=1 ${CCACHE})
    add_compile_options(-fpch-preprocess)
endif()
find_program(MOLD mold)
if(MOLD)
    add_link_options(-fuse-ld=mold)
endif()
