# SPDX-License-Identifier: GPL-3.0-or-later
# How every target is compiled: warnings as errors, a fast linker and a compiler cache where present.
add_compile_options(-Wall -Wextra -Wpedantic -Wshadow -Wconversion -Wsign-conversion -Wnon-virtual-dtor -Woverloaded-virtual -Werror)
set(CMAKE_CXX_FLAGS_RELEASE "-O3 -DNDEBUG")

# the library's own checks of indices, empty containers and the like
add_compile_definitions($<$<NOT:$<CONFIG:Release>>:_GLIBCXX_ASSERTIONS>)

if(YEMVO_SANITIZE)
    if(YEMVO_SANITIZE STREQUAL "thread")
        set(sanitizers -fsanitize=thread)
    elseif(YEMVO_SANITIZE STREQUAL "address")
        set(sanitizers -fsanitize=address,undefined -fno-sanitize-recover=undefined)
    else()
        message(FATAL_ERROR "YEMVO_SANITIZE is address or thread, not ${YEMVO_SANITIZE}")
    endif()
    add_compile_options(${sanitizers} -fno-omit-frame-pointer)
    add_link_options(${sanitizers})
    # g++ 12 reports false ones under the sanitizers, and of fences that it does not follow
    add_compile_options(-Wno-maybe-uninitialized -Wno-tsan)
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
