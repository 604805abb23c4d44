# The floors of the program, lowest first. A floor may link only floors that stand before it in this list.
set(BARYTON_FLOORS base colour picture grade stages edits render lut survey package batch cli app)

# Files with vector code are compiled once for each instruction set: each includes itself anew by Highway's
# foreach_target.h. Several become one file that does so for all of them; they leave the list `sources`.
function(baryton_group_kernels name sources)
  set(kernels)
  foreach(source IN LISTS ${sources})
    if(source MATCHES "\\.cpp$" AND NOT IS_ABSOLUTE ${source})
      file(STRINGS ${source} own_target REGEX "define HWY_TARGET_INCLUDE" LIMIT_COUNT 1)
      if(own_target)
        list(APPEND kernels ${source})
      endif()
    endif()
  endforeach()
  list(LENGTH kernels left)
  set(others ${${sources}})
  list(REMOVE_ITEM others ${kernels} "")
  set(group 0)
  while(left GREATER 0)
    list(SUBLIST kernels 0 6 some)
    list(REMOVE_ITEM kernels ${some})
    list(LENGTH kernels left)
    list(TRANSFORM some PREPEND "#include \"")
    list(TRANSFORM some APPEND "\"\n")
    list(JOIN some "" includes)
    set(stem ${CMAKE_CURRENT_BINARY_DIR}/kernels/${name}_${group})
    file(CONFIGURE OUTPUT ${stem}.inc CONTENT "${includes}" @ONLY)
    file(CONFIGURE OUTPUT ${stem}.cpp CONTENT
"#define BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE \"${stem}.inc\"
#include <hwy/foreach_target.h>
#include \"${stem}.inc\"
" @ONLY)
    set_source_files_properties(${stem}.cpp PROPERTIES SKIP_UNITY_BUILD_INCLUSION ON)
    list(APPEND others ${stem}.cpp)
    math(EXPR group "${group} + 1")
  endwhile()
  set(${sources} ${others} PARENT_SCOPE)
endfunction()

# baryton_floor(NAME SOURCES a.cpp … [LINKS libs…] [PUBLIC_LINKS libs…] [FLOORS floors…])
# LINKS stay behind the floor; PUBLIC_LINKS are libraries whose types stand in its headers.
function(baryton_floor name)
  cmake_parse_arguments(F "" "" "SOURCES;LINKS;PUBLIC_LINKS;FLOORS" ${ARGN})
  list(FIND BARYTON_FLOORS ${name} own)
  if(own LESS 0)
    message(FATAL_ERROR "'${name}' is not a floor: see cmake/floors.cmake")
  endif()
  if(BARYTON_UNITY)
    baryton_group_kernels(${name} F_SOURCES)
  endif()
  add_library(baryton_${name} STATIC ${F_SOURCES})
  # Most of the time a file takes goes into the headers: several are compiled as one.
  set_target_properties(baryton_${name} PROPERTIES UNITY_BUILD ${BARYTON_UNITY} UNITY_BUILD_BATCH_SIZE 8)
  target_include_directories(baryton_${name} PUBLIC ${PROJECT_SOURCE_DIR}/src)
  foreach(lower IN LISTS F_FLOORS)
    list(FIND BARYTON_FLOORS ${lower} other)
    if(other LESS 0 OR NOT other LESS own)
      message(FATAL_ERROR "floor '${name}' must not link '${lower}': floors link downward only")
    endif()
    target_link_libraries(baryton_${name} PUBLIC baryton_${lower})
  endforeach()
  target_link_libraries(baryton_${name} PUBLIC ${F_PUBLIC_LINKS} PRIVATE ${F_LINKS})
endfunction()
