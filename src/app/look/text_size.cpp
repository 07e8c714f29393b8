// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/text_size.h"

#include <QSettings>
#include <algorithm>

namespace yemvo::app {

static constexpr const char *percent_setting = "text_percent", *scale_variable = "QT_SCALE_FACTOR";

int text_size_percent() {
    // by name, since it is asked for before there is an application
    const int percent = QSettings("Yemvo", "Yemvo").value(percent_setting, 100).toInt();
    return std::ranges::find(text_sizes_percent, percent) == text_sizes_percent.end() ? 100 : percent;
}

void choose_text_size(int percent) { QSettings("Yemvo", "Yemvo").setValue(percent_setting, percent); }

void apply_text_size() {
    const int percent = text_size_percent();
    if (percent != 100 && !qEnvironmentVariableIsSet(scale_variable))
        qputenv(scale_variable, QByteArray::number(percent / 100.0));
}

}  // namespace yemvo::app
