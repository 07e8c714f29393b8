// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/offer/notice_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QToolButton>
#include <algorithm>

#include "app/look/theme.h"
#include "render/tr.h"

namespace yemvo::app {

NoticeBar::NoticeBar(QWidget* parent)
    : QWidget(parent), row_(new QHBoxLayout(this)), words_(new QLabel(this)) {
    setObjectName("noticeBar");
    row_->setContentsMargins(14, 4, 6, 4);
    row_->setSpacing(6);
    words_->setObjectName("noticeWords");
    words_->setWordWrap(true);
    row_->addWidget(words_, 1);
    hide();
}

void NoticeBar::show_notice(Notice notice) {
    std::erase_if(notices_, [&](const Notice& n) { return n.key == notice.key; });
    notices_.push_back(std::move(notice));
    refresh();
}

void NoticeBar::drop(const QString& key) {
    if (std::erase_if(notices_, [&](const Notice& n) { return n.key == key; }) > 0) refresh();
}

void NoticeBar::clear() {
    if (notices_.empty()) return;
    notices_.clear();
    refresh();
}

bool NoticeBar::says(const QString& key) const {
    return std::any_of(notices_.begin(), notices_.end(), [&](const Notice& n) { return n.key == key; });
}

QString NoticeBar::words() const { return notices_.empty() ? QString() : notices_.back().words; }

void NoticeBar::refresh() {
    while (row_->count() > 1) {
        QLayoutItem* item = row_->takeAt(1);
        if (item->widget()) {
            item->widget()->hide();
            item->widget()->deleteLater();  // it may be the button that was pressed
        }
        delete item;
    }
    setVisible(!notices_.empty());
    if (notices_.empty()) return;
    const Notice& now = notices_.back();
    words_->setText(now.words);
    for (const Notice::Action& action : now.actions) {
        auto* button = new QPushButton(action.name, this);
        button->setObjectName(action.object);
        connect(button, &QPushButton::clicked, this, [this, key = now.key, run = action.run] {
            drop(key);
            run();
        });
        row_->addWidget(button);
    }
    auto* close = new QToolButton(this);
    close->setObjectName("noticeClose");
    close->setIcon(icon("close", theme().ink));
    close->setToolTip(tr("Understood"));
    close->setAccessibleName(tr("Close this notice"));
    close->setFixedSize(24, 24);
    connect(close, &QToolButton::clicked, this, [this, key = now.key] { drop(key); });
    row_->addWidget(close);
    update();
}

void NoticeBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const bool fault = !notices_.empty() && notices_.back().fault;
    p.fillRect(rect(), fault ? theme().not_met_tint : theme().accent_tint);
    p.fillRect(QRect(0, 0, 3, height()), fault ? theme().not_met : theme().accent);
    p.fillRect(QRect(0, height() - 1, width(), 1), theme().line);
}

}  // namespace yemvo::app
