# SPDX-License-Identifier: GPL-3.0-or-later
# yemvo_embed(target name file ...)
# Puts the bytes of files into `target` and makes a header `embedded/<name>.h` with
#   std::span<const std::byte> embedded_<name>(std::string_view file_name);   // empty when there is none
function(yemvo_embed target name)
    set(dir ${CMAKE_CURRENT_BINARY_DIR}/embedded_${name})
    set(assembly ".section .rodata\n")
    set(declarations "")
    set(cases "")
    set(index 0)
    foreach(file ${ARGN})
        get_filename_component(path ${file} ABSOLUTE)
        get_filename_component(base ${file} NAME)
        set(symbol embedded_${name}_${index})
        string(APPEND assembly ".global ${symbol}_begin\n.global ${symbol}_end\n.balign 16\n${symbol}_begin:\n"
                               ".incbin \"${path}\"\n${symbol}_end:\n.byte 0\n")
        string(APPEND declarations "extern \"C\" const std::byte ${symbol}_begin[];\nextern \"C\" const std::byte ${symbol}_end[];\n")
        string(APPEND cases "    if (file_name == \"${base}\") return {${symbol}_begin, ${symbol}_end};\n")
        list(APPEND paths ${path})
        math(EXPR index "${index}+1")
    endforeach()
    string(APPEND assembly ".section .note.GNU-stack,\"\",@progbits\n")
    file(CONFIGURE OUTPUT ${dir}/${name}.S CONTENT "${assembly}" @ONLY)
    file(CONFIGURE OUTPUT ${dir}/embedded/${name}.h @ONLY CONTENT
         "#pragma once\n#include <cstddef>\n#include <span>\n#include <string_view>\n/// The bytes of a file built into the program; empty when there is none of that name.\nstd::span<const std::byte> embedded_${name}(std::string_view file_name);\n")
    file(CONFIGURE OUTPUT ${dir}/${name}.cpp @ONLY CONTENT
         "#include \"embedded/${name}.h\"\n${declarations}std::span<const std::byte> embedded_${name}(std::string_view file_name) {\n${cases}    return {};\n}\n")
    set_source_files_properties(${dir}/${name}.S PROPERTIES OBJECT_DEPENDS "${paths}")
    target_sources(${target} PRIVATE ${dir}/${name}.S ${dir}/${name}.cpp)
    target_include_directories(${target} PRIVATE ${dir})
endfunction()
