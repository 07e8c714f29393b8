# SPDX-License-Identifier: GPL-3.0-or-later
# What `cmake --install` puts where, and the Debian package of it (tools/package).
include(GNUInstallDirs)
install(TARGETS yemvo yemvo-cli RUNTIME DESTINATION ${CMAKE_INSTALL_BINDIR} COMPONENT yemvo)
install(FILES packaging/yemvo.desktop DESTINATION ${CMAKE_INSTALL_DATADIR}/applications COMPONENT yemvo)
install(FILES packaging/yemvo.metainfo.xml DESTINATION ${CMAKE_INSTALL_DATADIR}/metainfo COMPONENT yemvo
        RENAME io.yemvo.Yemvo.metainfo.xml)
install(FILES packaging/yemvo-mime.xml DESTINATION ${CMAKE_INSTALL_DATADIR}/mime/packages COMPONENT yemvo RENAME yemvo.xml)
install(FILES src/app/icons/yemvo.svg DESTINATION ${CMAKE_INSTALL_DATADIR}/icons/hicolor/scalable/apps COMPONENT yemvo)
install(FILES README.md CHANGELOG.md docs/guide.md docs/command-line.md docs/physics.md
        DESTINATION ${CMAKE_INSTALL_DOCDIR} COMPONENT yemvo)
install(FILES LICENSE DESTINATION ${CMAKE_INSTALL_DOCDIR} COMPONENT yemvo RENAME copyright)

set(CPACK_GENERATOR DEB)
set(CPACK_COMPONENTS_ALL yemvo)
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)
set(CPACK_PACKAGE_CONTACT "The Yemvo developers <developers@yemvo.invalid>")
set(CPACK_PACKAGE_DESCRIPTION_SUMMARY "Design wireless networks for multi-floor venues")
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_DEBIAN_PACKAGE_SECTION science)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS ON)
# what is loaded at run time: readers of pictures, the window system, the fonts of the interface
set(CPACK_DEBIAN_PACKAGE_DEPENDS "libqt6svg6, qt6-qpa-plugins, fonts-inter, fonts-open-sans, fonts-dejavu-core")
set(CPACK_DEBIAN_PACKAGE_RECOMMENDS "qt6-image-formats-plugins")
set(CPACK_STRIP_FILES ON)
include(CPack)

# translations/LANGUAGE.po, where there are any
file(GLOB translations CONFIGURE_DEPENDS ${CMAKE_SOURCE_DIR}/translations/*.po)
set(compiled_translations "")
foreach(po ${translations})
    get_filename_component(language ${po} NAME_WE)
    set(qm ${CMAKE_BINARY_DIR}/translations/yemvo_${language}.qm)
    add_custom_command(OUTPUT ${qm} COMMAND ${CMAKE_SOURCE_DIR}/tools/translations ${po} ${qm} DEPENDS ${po} VERBATIM)
    list(APPEND compiled_translations ${qm})
endforeach()
if(compiled_translations)
    add_custom_target(translations ALL DEPENDS ${compiled_translations})
    install(FILES ${compiled_translations} DESTINATION ${CMAKE_INSTALL_DATADIR}/yemvo/translations COMPONENT yemvo)
endif()
