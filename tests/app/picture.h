// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures of what a test has before it, to be looked at: made where YEMVO_PICTURES names a folder.
#pragma once
#include <QWidget>

namespace yemvo::app::test {

inline void picture(QWidget& of, const char* name) {
    const QString folder = qEnvironmentVariable("YEMVO_PICTURES");
    if (!folder.isEmpty()) of.grab().save(QStringLiteral("%1/%2.png").arg(folder, name));
}

}  // namespace yemvo::app::test
