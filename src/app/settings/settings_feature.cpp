// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/settings_feature.h"

#include <QMenu>
#include <QSettings>

#include "app/look/text_size.h"
#include "app/look/theme.h"
#include "base/memory_budget.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr const char* memory_setting = "memory_mb";
constexpr std::size_t mega = std::size_t{1} << 20;

QString size_words(std::size_t mb) {
    return mb < 1024 ? QString("%1 MB").arg(mb)
                     : render::figure(static_cast<double>(mb) / 1024, mb % 1024 ? 1 : 0) + " GB";
}

}  // namespace

SettingsFeature::SettingsFeature(Shell& shell) : Feature(shell) {
    shell.command("view.look", {"view.dark", tr("Dark theme"), QKeySequence("Ctrl+Shift+K"),
                                [] {
                                    choose_theme(!is_dark());
                                    QSettings().setValue("dark", is_dark());
                                },
                                Needs::nothing, [] { return is_dark(); }});
    offer_text_sizes(shell.menu("view.look", tr("Text size")));
    offer_memory(shell.menu("view.look", tr("Memory for results")));
}

void SettingsFeature::offer_text_sizes(QMenu* menu) {
    for (const int percent : text_sizes_percent) {
        const QString words = percent == 100 ? tr("Text as large as the desktop's")
                                             : tr("Text at %1 % of the desktop's").arg(percent);
        shell_.command_in(menu,
                          {QString("text.%1").arg(percent),
                           words,
                           {},
                           [this, percent] {
                               choose_text_size(percent);
                               workspace_.tell(tr("Text and all that goes with it are drawn at %1 % from the "
                                                  "next start on")
                                                   .arg(percent));
                           },
                           Needs::nothing,
                           [percent] { return text_size_percent() == percent; }});
    }
}

void SettingsFeature::offer_memory(QMenu* menu) {
    for (const int mb : {0, 512, 1024, 2048, 4096, 8192, 16384}) {
        if (static_cast<std::size_t>(mb) * mega > machine_bytes() / 4 * 3) break;
        const QString most = size_words(mb == 0 ? usual_budget_bytes() / mega : static_cast<std::size_t>(mb));
        const QString text =
            mb == 0 ? tr("Keep results as suits this machine (%1)") : tr("Keep results up to %1");
        shell_.command_in(menu,
                          {QString("memory.%1").arg(mb),
                           text.arg(most),
                           {},
                           [this, mb, most] {
                               QSettings().setValue(memory_setting, mb);
                               keep_up_to(mb);
                               workspace_.tell(tr("Maps and drawings are kept up to %1, what was used "
                                                  "longest ago gives way. More is quicker on large sites")
                                                   .arg(most));
                           },
                           Needs::nothing,
                           [mb] { return QSettings().value(memory_setting, 0).toInt() == mb; }});
    }
    keep_up_to(QSettings().value(memory_setting, 0).toInt());
}

void SettingsFeature::keep_up_to(int mb) {
    workspace_.memory()->set_limit(mb > 0 ? static_cast<std::size_t>(mb) * mega : usual_budget_bytes());
}

}  // namespace yemvo::app
