// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/files/start_page.h"

#include <QComboBox>
#include <QDateTime>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QLocale>
#include <QPainter>
#include <QPushButton>
#include <QSpinBox>

#include "app/look/access.h"
#include "app/look/theme.h"
#include "app/model/countries.h"
#include "base/error.h"
#include "project/edits.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QLabel* label(const QString& text, const char* style) {
    auto* l = new QLabel(text);
    l->setObjectName(style);
    return l;
}

void add_row(QFormLayout* form, const QString& name, QWidget* field) {
    auto* l = label(name, "row");
    l->setBuddy(field);
    belongs_to(field, name);
    form->addRow(l, field);
}

}  // namespace

StartPage::StartPage(QWidget* parent) : QWidget(parent) {
    setObjectName("startPage");
    auto* page = new QVBoxLayout(this);
    auto* middle = new QHBoxLayout;
    page->addStretch(2);
    page->addLayout(middle);
    page->addStretch(3);
    middle->addStretch(2);
    auto* left = new QVBoxLayout;
    auto* right = new QVBoxLayout;
    middle->addLayout(left);
    middle->addSpacing(64);
    middle->addLayout(right);
    middle->addStretch(3);

    left->addWidget(label(tr("New project"), "title"));
    left->addSpacing(8);
    auto* form = new QFormLayout;
    form->setHorizontalSpacing(14);
    form->setVerticalSpacing(8);
    form->setLabelAlignment(Qt::AlignLeft);
    name_ = new QLineEdit(tr("New venue"));
    name_->setObjectName("newName");
    name_->setFixedWidth(230);
    name_->setMaxLength(200);
    add_row(form, tr("Name"), name_);
    country_ = new QComboBox;
    country_->setObjectName("newCountry");
    country_->setFixedWidth(230);
    for (const auto& [code, country] : countries) country_->addItem(tr(country), QString(code));
    const QString here = QLocale::system().name().section('_', 1, 1);
    country_->setCurrentIndex(
        std::max(0, country_->findData(here.size() == 2 && country_->findData(here) >= 0 ? here : "GB")));
    add_row(form, tr("Country"), country_);
    units_ = new QComboBox;
    units_->setObjectName("newUnits");
    units_->setFixedWidth(230);
    units_->addItems({tr("Metres"), tr("Feet and inches")});
    add_row(form, tr("Lengths in"), units_);
    floors_ = new QSpinBox;
    floors_->setObjectName("newFloors");
    floors_->setRange(1, 200);
    floors_->setFixedWidth(80);
    floors_->setButtonSymbols(QAbstractSpinBox::NoButtons);
    add_row(form, tr("Floors"), floors_);
    height_ = new QLineEdit("3.50 m");
    height_->setObjectName("newHeight");
    height_->setFixedWidth(80);
    add_row(form, tr("Storey height"), height_);
    connect(units_, &QComboBox::activated, this, [this](int index) {
        height_->setText(
            render::local(format_length(3.5, index == 0 ? LengthUnits::metres : LengthUnits::feet_inches)));
    });
    left->addLayout(form);
    left->addSpacing(4);
    fault_ = label({}, "fault");
    fault_->setWordWrap(true);
    fault_->setFixedWidth(320);
    left->addWidget(fault_);
    auto* buttons = new QHBoxLayout;
    auto* make = new QPushButton(tr("Create project"));
    make->setObjectName("main");
    make->setDefault(true);
    connect(make, &QPushButton::clicked, this, &StartPage::create);
    for (QLineEdit* field : {name_, height_})
        connect(field, &QLineEdit::returnPressed, this, &StartPage::create);
    back_ = new QPushButton(tr("Back"));
    connect(back_, &QPushButton::clicked, this, &StartPage::back_asked);
    buttons->addWidget(make);
    buttons->addWidget(back_);
    buttons->addStretch(1);
    left->addLayout(buttons);
    left->addStretch(1);

    unsaved_ = new QVBoxLayout;
    unsaved_->setSpacing(4);
    right->addLayout(unsaved_);
    right->addWidget(label(tr("Open"), "title"));
    right->addSpacing(8);
    auto* open = new QPushButton(tr("Open a project…"));
    open->setObjectName("openProject");
    connect(open, &QPushButton::clicked, this, &StartPage::open_asked);
    auto* demo = new QPushButton(tr("Look at the demo library"));
    demo->setObjectName("openDemo");
    connect(demo, &QPushButton::clicked, this, &StartPage::demo_asked);
    for (QPushButton* b : {open, demo}) {
        b->setMinimumWidth(210);
        right->addWidget(b);
    }
    right->addSpacing(14);
    right->addWidget(label(tr("Recent"), "head"));
    recent_ = new QVBoxLayout;
    recent_->setSpacing(2);
    right->addLayout(recent_);
    right->addStretch(1);
}

void StartPage::list_unsaved(const std::vector<Leftover>& unsaved) {
    if (unsaved.empty()) return;
    unsaved_->addWidget(label(tr("Unsaved work"), "title"));
    for (std::size_t i = 0; i < unsaved.size(); ++i) {
        const Leftover& l = unsaved[i];
        const auto seconds =
            std::chrono::duration_cast<std::chrono::seconds>(l.written.time_since_epoch()).count();
        const QString when =
            QLocale::system().toString(QDateTime::fromSecsSinceEpoch(seconds), "d MMMM, HH:mm");
        unsaved_->addWidget(label(QString::fromStdString(l.project) + ", " + when, "muted"));
        auto* line = new QWidget;
        auto* row = new QHBoxLayout(line);
        row->setContentsMargins(0, 0, 0, 6);
        auto* recover = new QPushButton(tr("Recover"));
        recover->setObjectName(QString("recover%1").arg(i));
        auto* drop = new QPushButton(tr("Discard"));
        drop->setObjectName(QString("discard%1").arg(i));
        for (QPushButton* b : {recover, drop}) row->addWidget(b);
        row->addStretch(1);
        const int index = static_cast<int>(i);
        connect(recover, &QPushButton::clicked, this, [this, index] { emit recover_asked(index); });
        connect(
            drop, &QPushButton::clicked, this, [this, index] { emit discard_asked(index); },
            Qt::QueuedConnection);
        unsaved_->addWidget(line);
    }
    unsaved_->addSpacing(10);
}

void StartPage::prepare(const QStringList& files, const std::vector<Leftover>& unsaved, bool can_go_back) {
    back_->setVisible(can_go_back);
    fault_->clear();
    for (QVBoxLayout* list : {recent_, unsaved_})
        while (QLayoutItem* item = list->takeAt(0)) {
            delete item->widget();
            delete item;
        }
    list_unsaved(unsaved);
    for (const QString& file : files) {
        auto* button = new QPushButton(QFileInfo(file).completeBaseName());
        button->setToolTip(file);
        button->setStyleSheet("text-align: left;");
        button->setFixedWidth(210);
        connect(button, &QPushButton::clicked, this, [this, file] { emit open_file_asked(file); });
        recent_->addWidget(button);
    }
    if (files.isEmpty()) recent_->addWidget(label(tr("Nothing yet"), "muted"));
    name_->setFocus();
    name_->selectAll();
}

void StartPage::create() {
    const auto units = units_->currentIndex() == 0 ? LengthUnits::metres : LengthUnits::feet_inches;
    try {
        if (name_->text().trimmed().isEmpty()) throw Error(say("a project needs a name"));
        const double height_m = parse_length_m(render::plain(height_->text()), units);
        if (!(height_m >= 1.8 && height_m <= 100))
            throw Error(say("the storey height must lie between 1.8 m and 100 m"));
        emit create_asked(new_project(name_->text().trimmed().toStdString(),
                                      {units, country_->currentData().toString().toStdString(), 1.2, 7},
                                      floors_->value(), height_m));
    } catch (const Error& fault) {
        fault_->setText(fault_text(fault));
    }
}

void StartPage::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().paper);
}

}  // namespace yemvo::app
